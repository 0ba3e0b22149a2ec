DROP INDEX "combinations_key";--> statement-breakpoint
ALTER TABLE "combinations" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "combinations" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
CREATE UNIQUE INDEX "combinations_key" ON "combinations" USING btree ("machine_serial","machine_id","holder_id","cutter_id","stick_out_mm") WHERE "combinations"."removed_at" is null;