CREATE TABLE "attachments" (
	"test_cut_id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid,
	"size" integer NOT NULL,
	"bytes" "bytea" NOT NULL
);
--> statement-breakpoint
ALTER TABLE "attachments" ADD CONSTRAINT "attachments_test_cut_id_test_cuts_id_fk" FOREIGN KEY ("test_cut_id") REFERENCES "public"."test_cuts"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "attachments" ADD CONSTRAINT "attachments_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "attachments_person" ON "attachments" USING btree ("person_id");--> statement-breakpoint
INSERT INTO "attachments" ("test_cut_id", "size", "bytes")
  SELECT "id", octet_length("attachment"), "attachment" FROM "test_cuts" WHERE "attachment" IS NOT NULL;
--> statement-breakpoint
ALTER TABLE "test_cuts" DROP COLUMN "attachment";