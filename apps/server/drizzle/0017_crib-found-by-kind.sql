-- Words entries are found by were those of their names, of cutters alone also others: emptied, the start fills them anew.
UPDATE "alloys" SET "found_by" = '';--> statement-breakpoint
UPDATE "cutters" SET "found_by" = '';--> statement-breakpoint
UPDATE "holders" SET "found_by" = '';--> statement-breakpoint
UPDATE "machines" SET "found_by" = '';
