CREATE TABLE "stock" (
	"cutter_id" text PRIMARY KEY NOT NULL,
	"edges" integer NOT NULL,
	"place" text DEFAULT '' NOT NULL,
	"price" double precision,
	"version" integer DEFAULT 1 NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "alloys" ADD COLUMN "found_by" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "alloys" ADD COLUMN "retired_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "cutters" ADD COLUMN "found_by" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "cutters" ADD COLUMN "retired_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "holders" ADD COLUMN "found_by" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "holders" ADD COLUMN "retired_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "machines" ADD COLUMN "found_by" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "machines" ADD COLUMN "retired_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "stock" ADD CONSTRAINT "stock_cutter_id_cutters_id_fk" FOREIGN KEY ("cutter_id") REFERENCES "public"."cutters"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "alloys_found_by" ON "alloys" USING gin ("found_by" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "alloys_name" ON "alloys" USING btree (("document" ->> 'name'));--> statement-breakpoint
CREATE INDEX "audit_events_subject" ON "audit_events" USING btree ("subject","id");--> statement-breakpoint
CREATE INDEX "cutters_found_by" ON "cutters" USING gin ("found_by" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "cutters_name" ON "cutters" USING btree (("document" ->> 'name'));--> statement-breakpoint
CREATE INDEX "holders_found_by" ON "holders" USING gin ("found_by" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "holders_name" ON "holders" USING btree (("document" ->> 'name'));--> statement-breakpoint
CREATE INDEX "machines_found_by" ON "machines" USING gin ("found_by" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "machines_name" ON "machines" USING btree (("document" ->> 'name'));