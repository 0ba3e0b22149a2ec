/** What is wrong with how a page stands at its size; run in the page. Each fault in words that find it again. */
export function pageFaults({ touch, width }: { touch: boolean; width: number }): string[] {
  const faults: string[] = [];
  // A phone widens the page instead of scrolling it: what counts is the width of the glass.
  const innerWidth = width;
  const { innerHeight } = window;
  const root = document.documentElement;
  if (root.scrollWidth > innerWidth + 1) {
    const wide = [...document.querySelectorAll('body *')]
      .filter((e) => e.getBoundingClientRect().right > innerWidth + 1 && !clippedAway(e))
      .slice(0, 3)
      .map(name);
    faults.push(`the page scrolls sideways to ${root.scrollWidth} px: ${wide.join(' | ')}`);
  }

  function name(e: Element): string {
    const text = (e.textContent ?? '').trim().replace(/\s+/g, ' ').slice(0, 40);
    return `${e.tagName.toLowerCase()}${e.getAttribute('aria-label') ? `[${e.getAttribute('aria-label')}]` : ''} “${text}”`;
  }
  /** The part of a rectangle that scrolling frames and the like leave to be seen. */
  function seen(e: Element, r: DOMRect): { left: number; right: number; top: number; bottom: number } | null {
    let { left, right, top, bottom } = r;
    for (let p: Element | null = e; p; p = p.parentElement) {
      const style = getComputedStyle(p);
      if (style.overflowX === 'visible' && style.overflowY === 'visible') continue;
      const f = p.getBoundingClientRect();
      left = Math.max(left, f.left);
      right = Math.min(right, f.right);
      top = Math.max(top, f.top);
      bottom = Math.min(bottom, f.bottom);
    }
    return right - left > 1 && bottom - top > 1 ? { left, right, top, bottom } : null;
  }
  function clippedAway(e: Element): boolean {
    return seen(e, e.getBoundingClientRect()) === null;
  }
  function hidden(e: Element): boolean {
    if (!e.checkVisibility({ opacityProperty: true, visibilityProperty: true, contentVisibilityAuto: true }))
      return true;
    for (let p: Element | null = e; p; p = p.parentElement) {
      const s = getComputedStyle(p);
      if (s.position === 'absolute' && (p.clientWidth <= 1 || s.clip !== 'auto')) return true;
    }
    return false;
  }

  // Nothing but emptiness below what the page shows.
  const main = document.querySelector('main');
  if (main && !document.querySelector('[role=dialog]')) {
    const lowest = Math.max(
      innerHeight,
      ...[...main.querySelectorAll('*')]
        .filter((e) => !hidden(e))
        .map((e) => {
          const v = seen(e, e.getBoundingClientRect());
          return v ? v.bottom + window.scrollY : 0;
        }),
    );
    if (root.scrollHeight > lowest + 60)
      faults.push(`${Math.round(root.scrollHeight - lowest)} px of blank scroll below the page`);
  }

  // Words on words.
  const boxes: { e: Element; text: string; left: number; right: number; top: number; bottom: number }[] = [];
  // What lies below an open dialog is not read.
  const top = document.querySelector('[role=dialog]') ?? document.body;
  const walker = document.createTreeWalker(top, NodeFilter.SHOW_TEXT);
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const text = node.textContent?.trim() ?? '';
    const e = node.parentElement;
    if (!text || !e || e.closest('script, style, option, [aria-hidden=true], canvas, textarea') || hidden(e))
      continue;
    const range = document.createRange();
    range.selectNodeContents(node);
    for (const r of range.getClientRects()) {
      const v = seen(e, r);
      if (v) boxes.push({ e, text: text.slice(0, 40), ...v });
    }
  }
  for (let i = 0; i < boxes.length; i++)
    for (let j = i + 1; j < boxes.length; j++) {
      const [a, b] = [boxes[i]!, boxes[j]!];
      if (a.e === b.e || a.e.contains(b.e) || b.e.contains(a.e)) continue;
      const across = Math.min(a.right, b.right) - Math.max(a.left, b.left);
      const down = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
      // Line boxes are taller than their letters.
      if (across > 2 && down > 5) faults.push(`“${a.text}” lies on “${b.text}”`);
    }

  // A number that is cut is another number.
  for (const input of document.querySelectorAll('input')) {
    if (hidden(input) || clippedAway(input) || !/^[\d.,\s-]+$/.test(input.value) || input.type === 'range')
      continue;
    if (input.scrollWidth > input.clientWidth + 1) faults.push(`cut: ${name(input)} ${input.value}`);
  }
  for (const e of document.querySelectorAll('main *, header *')) {
    if (e.children.length > 0 || !/\d/.test(e.textContent ?? '') || e.closest('svg') || hidden(e)) continue;
    const s = getComputedStyle(e);
    if (s.overflowX === 'hidden' && s.textOverflow !== 'ellipsis' && e.scrollWidth > e.clientWidth + 1)
      faults.push(`cut: ${name(e)}`);
  }

  // Text of a drawing one cannot read.
  for (const t of document.querySelectorAll<SVGTextElement>('svg text')) {
    if (hidden(t) || clippedAway(t) || !t.textContent?.trim()) continue;
    const scale = t.getScreenCTM()?.a ?? 1;
    const turned = t.getScreenCTM();
    const size = parseFloat(getComputedStyle(t).fontSize) * (turned ? Math.hypot(turned.a, turned.b) : scale);
    if (size < 9.5) faults.push(`text of ${size.toFixed(1)} px: “${t.textContent}”`);
  }

  if (touch)
    for (const e of document.querySelectorAll(
      'button, select, summary, input:not([type=checkbox], [type=radio], [type=file]), [role=tab]',
    )) {
      if (hidden(e) || clippedAway(e) || e.closest('svg')) continue;
      const r = e.getBoundingClientRect();
      if (r.height < 43.5 || r.width < 43.5)
        faults.push(`target ${Math.round(r.width)} × ${Math.round(r.height)} px: ${name(e)}`);
    }
  return [...new Set(faults)];
}
