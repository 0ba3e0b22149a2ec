CREATE TABLE "combinations" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"machine_id" text NOT NULL,
	"machine_serial" text NOT NULL,
	"holder_id" text NOT NULL,
	"cutter_id" text NOT NULL,
	"stick_out_mm" double precision NOT NULL,
	"note" text NOT NULL,
	"made_by" text NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "test_cuts" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"combination_id" uuid NOT NULL,
	"alloy_id" text NOT NULL,
	"heard" text NOT NULL,
	"rpm" double precision NOT NULL,
	"override_percent" double precision NOT NULL,
	"axial_depth_mm" double precision NOT NULL,
	"radial_engagement_mm" double precision NOT NULL,
	"feed_per_tooth_mm" double precision NOT NULL,
	"direction" text NOT NULL,
	"hz" double precision,
	"note" text NOT NULL,
	"attachment_name" text,
	"attachment_type" text,
	"attachment" "bytea",
	"made_by" text NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "tip_records" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"combination_id" uuid NOT NULL,
	"axis" text NOT NULL,
	"source" text NOT NULL,
	"modes" jsonb NOT NULL,
	"receptance" jsonb,
	"coherence" jsonb,
	"misfit" double precision,
	"origin" text NOT NULL,
	"made_by" text NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "combinations" ADD CONSTRAINT "combinations_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "combinations" ADD CONSTRAINT "combinations_holder_id_holders_id_fk" FOREIGN KEY ("holder_id") REFERENCES "public"."holders"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "combinations" ADD CONSTRAINT "combinations_cutter_id_cutters_id_fk" FOREIGN KEY ("cutter_id") REFERENCES "public"."cutters"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "test_cuts" ADD CONSTRAINT "test_cuts_combination_id_combinations_id_fk" FOREIGN KEY ("combination_id") REFERENCES "public"."combinations"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "test_cuts" ADD CONSTRAINT "test_cuts_alloy_id_alloys_id_fk" FOREIGN KEY ("alloy_id") REFERENCES "public"."alloys"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tip_records" ADD CONSTRAINT "tip_records_combination_id_combinations_id_fk" FOREIGN KEY ("combination_id") REFERENCES "public"."combinations"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "combinations_key" ON "combinations" USING btree ("machine_serial","machine_id","holder_id","cutter_id","stick_out_mm");--> statement-breakpoint
CREATE INDEX "test_cuts_combination" ON "test_cuts" USING btree ("combination_id","made_at");--> statement-breakpoint
CREATE INDEX "tip_records_combination" ON "tip_records" USING btree ("combination_id","axis","made_at");