import { createRequire } from 'node:module';
import {
  formatMeasure,
  type Quantity,
  KINDS,
  setterFacts,
  speak,
  type System,
  STATE_WORDS,
  formatDay,
} from '@burl/core';
import {
  type AtMachine,
  batchFacts,
  type Release,
  type ReleasedOperation,
  sharedCautions,
} from '@burl/contract';
import PDFDocument from 'pdfkit';

const require = createRequire(import.meta.url);
const font = (file: string): string => require.resolve(`dejavu-fonts-ttf/ttf/${file}.ttf`);

const INK = '#1f2426';
const SOFT = '#5c615f';
const RULE = '#c9c2b2';
const MARGIN = 42;
/** States by shape, as on every page: circle, triangle, diamond, square. */
const STATE_SHAPE = { clear: '○', tight: '△', over: '◆', unproven: '□' } as const;
/** Numbers a setter types or watches, in the order of the machine's screen. */

/** Height of the signatures, points. */
const SIGNATURES = 90;

type Document = PDFKit.PDFDocument;

/** The released sheet: one block an operation, cautions with it, signatures at the end. */
export function sheetPdf(
  release: Release,
  options: { paper: 'A4' | 'LETTER'; units: System },
): Promise<Buffer> {
  const doc = new PDFDocument({
    size: options.paper,
    margins: { top: MARGIN, bottom: MARGIN + 14, left: MARGIN, right: MARGIN },
    bufferPages: true,
    info: {
      Title: `${release.snapshot.job.number} revision ${release.revision}`,
      Creator: 'Burl',
      // Of the release, not of the printing: the same sheet is the same bytes.
      CreationDate: new Date(release.decidedAt ?? release.requestedAt),
    },
  });
  doc.registerFont('text', font('DejaVuSans'));
  doc.registerFont('bold', font('DejaVuSans-Bold'));
  const chunks: Buffer[] = [];
  const finished = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  heading(doc, release);
  const { operations } = release.snapshot;
  const shared = sharedCautions(release.snapshot);
  for (const { title, lines } of batchFacts(release.snapshot)) {
    room(doc, 16 + 13 * lines.length);
    list(
      doc,
      title,
      lines.map((l) => speak(l, options.units)),
    );
  }
  if (shared.length > 0) list(doc, 'Cautions for every operation', shared);
  operations.forEach((op, i) => {
    const own = op.evaluation.cautions.filter((c) => !shared.includes(c));
    // The signatures stand below the last operation, never on a page of their own.
    block(doc, op, i + 1, options.units, own, i === operations.length - 1 ? SIGNATURES : 0);
  });
  signatures(doc, release);
  footers(doc, release, options.units);
  doc.end();
  return finished;
}

const widthOf = (doc: Document): number => doc.page.width - 2 * MARGIN;

function heading(doc: Document, release: Release): void {
  const { job } = release.snapshot;
  doc.font('bold').fontSize(17).fillColor(INK).text(`${job.number}  ·  ${job.part}`);
  doc
    .font('text')
    .fontSize(9)
    .fillColor(SOFT)
    .text(
      [
        `Revision ${release.revision}${release.revisionReason ? ` (${release.revisionReason})` : ''}`,
        `qty ${job.quantity}`,
        job.customer && `for ${job.customer}`,
        job.heatLot && `heat lot ${job.heatLot}`,
        job.due && `due ${formatDay(job.due)}`,
      ]
        .filter(Boolean)
        .join('  ·  '),
    );
  if (release.state === 'superseded') {
    doc
      .moveDown(0.4)
      .font('bold')
      .fontSize(12)
      .fillColor('#9c2b2b')
      .text('◆ SUPERSEDED: a later revision is in force. Do not run from this sheet.');
  }
  doc.moveDown(0.6);
}

/** Program, offset, pocket and gauge length, as far as somebody entered them. */
function atMachineLine(at: AtMachine, units: System): string {
  const { program, programRevision, workOffset, pocket, gaugeLengthMm } = at;
  return [
    program && `Program ${program}${programRevision ? ` rev ${programRevision}` : ''}`,
    workOffset && `Offset ${workOffset}`,
    pocket && `Pocket T${pocket}`,
    gaugeLengthMm !== null && `Gauge length ${formatMeasure(gaugeLengthMm, 'mm', units)}`,
  ]
    .filter(Boolean)
    .join('    ');
}

/** Starts a new page when the block would be torn. */
function room(doc: Document, height: number): void {
  if (doc.y + height > doc.page.height - doc.page.margins.bottom) doc.addPage();
}

function shownNumbers(op: ReleasedOperation): Quantity[] {
  const { set, watch } = KINDS[op.document.kind].shown;
  return [...set, ...watch].flatMap((key) => op.evaluation.numbers.filter((q) => q.key === key));
}

function block(
  doc: Document,
  op: ReleasedOperation,
  number: number,
  units: System,
  cautions: readonly string[],
  below: number,
): void {
  const { context, document, evaluation } = op;
  const open = evaluation.limits.filter((l) => l.state !== 'clear');
  room(doc, 290 + 13 * (open.length + cautions.length) + below);
  const left = MARGIN;
  const width = widthOf(doc);
  doc
    .moveTo(left, doc.y)
    .lineTo(left + width, doc.y)
    .lineWidth(1)
    .strokeColor(INK)
    .stroke();
  doc.moveDown(0.4);
  doc
    .font('bold')
    .fontSize(12)
    .fillColor(INK)
    .text(`${number}  ${op.name}`, left, doc.y, { continued: true });
  doc
    .font('text')
    .fontSize(9)
    .fillColor(SOFT)
    .text(`   ${op.setup}${op.variant === 'A' ? '' : `, variant ${op.variant}`}`);
  doc.moveDown(0.4);
  const mm = (value: number): string => formatMeasure(value, 'mm', units);
  const lines = [
    `Alloy: ${context.alloy.name}${document.measured.hardness === null ? '' : `, ${document.measured.hardness} ${context.alloy.hardness.scale} measured`}`,
    `Machine: ${context.machine.name}    Coolant: ${document.coolant}`,
    `Cutter: ${context.cutter.name}`,
    `Holder: ${context.holder.name}    Stick-out ${mm(document.tooling.stickOutMm)}`,
    ...(op.atMachine ? [atMachineLine(op.atMachine, units)] : []),
    ...setterFacts(document, context, evaluation).map((f) => `${f.name}: ${speak(f.text, units)}`),
  ];
  doc.font('text').fontSize(8.5).fillColor(INK);
  for (const line of lines) doc.text(line, left, doc.y, { width });
  doc.moveDown(0.5);
  numberGrid(doc, shownNumbers(op), units);
  if (evaluation.pecks.length > 1) {
    const depths = evaluation.pecks.map((p) => mm(p.toMm)).join(', ');
    doc
      .font('text')
      .fontSize(8.5)
      .fillColor(INK)
      .text(
        `Pecks to ${depths}; ${evaluation.pecks[0]!.retract === 'full' ? 'full retract between' : 'chip-break retract between'}.`,
        left,
        doc.y,
        { width },
      );
  }
  doc.moveDown(0.3);
  list(
    doc,
    open.length ? 'Not clear' : 'All limits clear',
    open.map((l) => `${STATE_SHAPE[l.state]} ${STATE_WORDS[l.state]}: ${l.name}. ${speak(l.why, units)}`),
  );
  const assumed = evaluation.sources.filter((s) => s.kind !== 'measured');
  list(doc, 'Assumed', [assumed.map((s) => s.label).join('; ')]);
  if (cautions.length > 0) list(doc, 'Cautions', cautions);
  if (document.notes) list(doc, 'Notes', [document.notes]);
  doc.moveDown(0.6);
}

function numberGrid(doc: Document, numbers: readonly Quantity[], units: System): void {
  const columns = 5;
  const width = widthOf(doc) / columns;
  const top = doc.y;
  numbers.forEach((q, i) => {
    const x = MARGIN + (i % columns) * width;
    const y = top + Math.floor(i / columns) * 34;
    doc
      .rect(x, y, width - 4, 30)
      .lineWidth(0.5)
      .strokeColor(RULE)
      .stroke();
    doc
      .font('text')
      .fontSize(7)
      .fillColor(SOFT)
      .text(`${q.symbol}  ${q.name}`, x + 4, y + 4, { width: width - 10, lineBreak: false, ellipsis: true });
    // A long unit is set smaller rather than broken.
    const value = formatMeasure(q.value, q.unit, units);
    doc.font('bold').fontSize(11).fillColor(INK);
    doc.fontSize(Math.min(11, (11 * (width - 12)) / doc.widthOfString(value)));
    doc.text(value, x + 4, y + 14, { lineBreak: false });
  });
  doc.y = top + Math.ceil(numbers.length / columns) * 34;
  doc.x = MARGIN;
}

function list(doc: Document, title: string, items: readonly string[]): void {
  doc
    .font('bold')
    .fontSize(8)
    .fillColor(SOFT)
    .text(title, MARGIN, doc.y, { width: widthOf(doc) });
  doc.font('text').fontSize(8).fillColor(INK);
  for (const item of items) if (item) doc.text(`– ${item}`, MARGIN + 6, doc.y, { width: widthOf(doc) - 6 });
  doc.moveDown(0.25);
}

function signatures(doc: Document, release: Release): void {
  room(doc, SIGNATURES);
  doc.moveDown(0.5);
  const moment = (iso: string | null): string => (iso ? `${formatDay(iso)} ${iso.slice(11, 16)} UTC` : '');
  doc.font('bold').fontSize(9).fillColor(INK).text('Signatures', MARGIN, doc.y);
  doc.font('text').fontSize(8.5);
  doc.text(
    `Prepared by ${release.requestedBy}, ${moment(release.requestedAt)}${release.requestNote ? `: ${release.requestNote}` : ''}`,
  );
  doc.text(
    `Released by ${release.decidedBy ?? ''}, ${moment(release.decidedAt)}${release.reason ? `: ${release.reason}` : ''}`,
  );
  doc.moveDown(0.8);
  doc.text(
    'Proved out by ______________________________     Date ______________     Program / offset checked ______________',
  );
}

function footers(doc: Document, release: Release, units: System): void {
  const { start, count } = doc.bufferedPageRange();
  for (let i = 0; i < count; i++) {
    doc.switchToPage(start + i);
    // Writing below the bottom margin would start a page of its own.
    doc.page.margins.bottom = 0;
    doc
      .font('text')
      .fontSize(7)
      .fillColor(SOFT)
      .text(
        `${release.snapshot.job.number} rev ${release.revision}  ·  ${units}  ·  Burl advises; the machine’s manual, the site’s rules, local law and a qualified person decide.  ·  ${i + 1} of ${count}`,
        MARGIN,
        doc.page.height - MARGIN,
        { width: widthOf(doc), align: 'center', lineBreak: false },
      );
  }
}
