CREATE TABLE "holes" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"demand" jsonb NOT NULL,
	"chosen" text,
	"changes" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_by" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "operations" ADD COLUMN "hole_id" uuid;--> statement-breakpoint
ALTER TABLE "operations" ADD COLUMN "hole_step" text;--> statement-breakpoint
ALTER TABLE "holes" ADD CONSTRAINT "holes_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "holes_job" ON "holes" USING btree ("job_id");--> statement-breakpoint
ALTER TABLE "operations" ADD CONSTRAINT "operations_hole_id_holes_id_fk" FOREIGN KEY ("hole_id") REFERENCES "public"."holes"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "operations_hole" ON "operations" USING btree ("hole_id");--> statement-breakpoint
-- Drilled holes gain what they are for, how they break through, and the rest of the hole; what nobody stated is null.
UPDATE "variants" SET "document" = '{"role": "drill", "followedByDeg": null}'::jsonb || "document" || jsonb_build_object(
  'hole', '{"through": false, "entryAngleDeg": 0, "entrySurface": "flat", "exitAngleDeg": 0, "crossHoles": 0, "piloted": false, "startMm": 0, "startDepthMm": null, "toleranceMm": null, "straightnessMm": null, "raUm": null, "betweenMm": 40, "partValue": null}'::jsonb
    || ("document"->'hole'),
  'cut', '{"breakthroughFeed": 1}'::jsonb || ("document"->'cut'))
WHERE "document"->>'kind' = 'drilling';
