CREATE TABLE "findings" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"release_id" uuid NOT NULL,
	"operation_id" uuid,
	"operation" text NOT NULL,
	"kind" text NOT NULL,
	"source_id" uuid NOT NULL,
	"text" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"by" text NOT NULL,
	"answer" text,
	"answered_by" text,
	"answered_at" timestamp with time zone,
	CONSTRAINT "findings_source_id_unique" UNIQUE("source_id")
);
--> statement-breakpoint
CREATE TABLE "floor_files" (
	"of_id" uuid NOT NULL,
	"slot" text NOT NULL,
	"name" text NOT NULL,
	"type" text NOT NULL,
	"person_id" uuid,
	"size" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	CONSTRAINT "floor_files_of_id_slot_pk" PRIMARY KEY("of_id","slot")
);
--> statement-breakpoint
CREATE TABLE "learnt" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"kind" text NOT NULL,
	"key" text NOT NULL,
	"constant" jsonb NOT NULL,
	"question" jsonb NOT NULL,
	"numbers" jsonb NOT NULL,
	"trials" jsonb NOT NULL,
	"note" text NOT NULL,
	"accepted_by" text NOT NULL,
	"accepted_at" timestamp with time zone DEFAULT now() NOT NULL,
	"reversed_by" text,
	"reversed_at" timestamp with time zone,
	"reverse_reason" text
);
--> statement-breakpoint
CREATE TABLE "prove_out_steps" (
	"id" uuid PRIMARY KEY NOT NULL,
	"release_id" uuid NOT NULL,
	"operation_id" uuid,
	"step" text NOT NULL,
	"result" text NOT NULL,
	"word" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL,
	"by_id" uuid NOT NULL,
	"by" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "trial_sums" (
	"dimension" text NOT NULL,
	"key" text NOT NULL,
	"trials" bigint NOT NULL,
	CONSTRAINT "trial_sums_dimension_key_pk" PRIMARY KEY("dimension","key")
);
--> statement-breakpoint
CREATE TABLE "trials" (
	"id" uuid PRIMARY KEY NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL,
	"job_id" uuid,
	"job_number" text NOT NULL,
	"release_id" uuid,
	"operation_id" uuid,
	"operation" text NOT NULL,
	"kind" text NOT NULL,
	"alloy_id" text NOT NULL,
	"heat_lot" text NOT NULL,
	"machine_id" text NOT NULL,
	"machine_serial" text NOT NULL,
	"cutter_id" text NOT NULL,
	"edge_family" text NOT NULL,
	"edge" integer NOT NULL,
	"features" double precision NOT NULL,
	"minutes" double precision NOT NULL,
	"ending" text NOT NULL,
	"speed_rpm" double precision NOT NULL,
	"cutting_speed" double precision NOT NULL,
	"feed_per_edge" double precision NOT NULL,
	"depth" double precision NOT NULL,
	"width" double precision,
	"speed_ratio" double precision,
	"taylor_n" double precision,
	"speed_sd" double precision,
	"expected_life" double precision,
	"expected_life_low" double precision,
	"expected_life_high" double precision,
	"expected_load" double precision,
	"load_percent" double precision,
	"edge_kw" double precision NOT NULL,
	"full_kw" double precision NOT NULL,
	"wear_mm" double precision,
	"seen" jsonb NOT NULL,
	"note" text NOT NULL,
	"corrects" uuid,
	"corrected_by" uuid,
	"made_by_id" uuid,
	"made_by" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "findings" ADD CONSTRAINT "findings_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "findings" ADD CONSTRAINT "findings_release_id_releases_id_fk" FOREIGN KEY ("release_id") REFERENCES "public"."releases"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "floor_files" ADD CONSTRAINT "floor_files_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "prove_out_steps" ADD CONSTRAINT "prove_out_steps_release_id_releases_id_fk" FOREIGN KEY ("release_id") REFERENCES "public"."releases"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "prove_out_steps" ADD CONSTRAINT "prove_out_steps_by_id_people_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "trials" ADD CONSTRAINT "trials_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "trials" ADD CONSTRAINT "trials_release_id_releases_id_fk" FOREIGN KEY ("release_id") REFERENCES "public"."releases"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "trials" ADD CONSTRAINT "trials_made_by_id_people_id_fk" FOREIGN KEY ("made_by_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "findings_open" ON "findings" USING btree ("at") WHERE answered_at is null;--> statement-breakpoint
CREATE INDEX "findings_job" ON "findings" USING btree ("job_id","at");--> statement-breakpoint
CREATE INDEX "floor_files_person" ON "floor_files" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "learnt_counting" ON "learnt" USING btree ("kind","key","accepted_at") WHERE reversed_at is null;--> statement-breakpoint
CREATE INDEX "prove_out_steps_release" ON "prove_out_steps" USING btree ("release_id","received_at");--> statement-breakpoint
CREATE INDEX "trials_job" ON "trials" USING btree ("job_id","at");--> statement-breakpoint
CREATE INDEX "trials_release" ON "trials" USING btree ("release_id","operation_id");--> statement-breakpoint
CREATE INDEX "trials_family" ON "trials" USING btree ("alloy_id","edge_family","at","id") WHERE corrected_by is null;
--> statement-breakpoint
-- Every filter of the logbook is read from one index, newest first: the other words are in it, so that what does not fit is passed over unread.
CREATE INDEX trials_newest ON trials (at, id) INCLUDE (alloy_id, heat_lot, machine_serial, cutter_id, kind, ending) WHERE corrected_by IS NULL;
--> statement-breakpoint
CREATE INDEX trials_by_alloy_id ON trials (alloy_id, at, id) INCLUDE (heat_lot, machine_serial, cutter_id, kind, ending) WHERE corrected_by IS NULL;
--> statement-breakpoint
CREATE INDEX trials_by_heat_lot ON trials (heat_lot, at, id) INCLUDE (alloy_id, machine_serial, cutter_id, kind, ending) WHERE corrected_by IS NULL;
--> statement-breakpoint
CREATE INDEX trials_by_machine_serial ON trials (machine_serial, at, id) INCLUDE (alloy_id, heat_lot, cutter_id, kind, ending) WHERE corrected_by IS NULL;
--> statement-breakpoint
CREATE INDEX trials_by_cutter_id ON trials (cutter_id, at, id) INCLUDE (alloy_id, heat_lot, machine_serial, kind, ending) WHERE corrected_by IS NULL;
--> statement-breakpoint
CREATE INDEX trials_by_kind ON trials (kind, at, id) INCLUDE (alloy_id, heat_lot, machine_serial, cutter_id, ending) WHERE corrected_by IS NULL;
--> statement-breakpoint
CREATE INDEX trials_by_ending ON trials (ending, at, id) INCLUDE (alloy_id, heat_lot, machine_serial, cutter_id, kind) WHERE corrected_by IS NULL;
--> statement-breakpoint
-- What nobody said of a part's worth and of hours nobody is there is not stated.
UPDATE "variants" SET "document" = jsonb_set("document", '{economics}', '{"partWorth": null, "hoursLost": null}'::jsonb || ("document"->'economics'))
WHERE "document" ? 'economics';
--> statement-breakpoint
-- A trial stays as it was logged; one that is put right is only marked with the one that does so.
CREATE FUNCTION trials_are_append_only() RETURNS trigger AS $$
BEGIN
  IF TG_OP = 'UPDATE' AND TG_TABLE_NAME = 'trials' THEN
    IF OLD.corrected_by IS NULL AND NEW.corrected_by IS NOT NULL
      AND to_jsonb(NEW) - 'corrected_by' = to_jsonb(OLD) - 'corrected_by' THEN RETURN NEW; END IF;
  END IF;
  RAISE EXCEPTION '% are append-only', TG_TABLE_NAME;
END;
$$ LANGUAGE plpgsql;
--> statement-breakpoint
CREATE TRIGGER trials_append_only BEFORE UPDATE OR DELETE ON trials FOR EACH ROW EXECUTE FUNCTION trials_are_append_only();
--> statement-breakpoint
CREATE TRIGGER prove_out_steps_append_only BEFORE UPDATE OR DELETE ON prove_out_steps
  FOR EACH ROW EXECUTE FUNCTION trials_are_append_only();
--> statement-breakpoint
CREATE FUNCTION refuse_truncate() RETURNS trigger AS $$
BEGIN
  RAISE EXCEPTION '% are append-only', TG_TABLE_NAME;
END;
$$ LANGUAGE plpgsql;
--> statement-breakpoint
CREATE TRIGGER trials_not_emptied BEFORE TRUNCATE ON trials FOR EACH STATEMENT EXECUTE FUNCTION refuse_truncate();
--> statement-breakpoint
CREATE TRIGGER prove_out_steps_not_emptied BEFORE TRUNCATE ON prove_out_steps
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_truncate();
--> statement-breakpoint
-- Sums by word, added up once for all rows a statement brings; always in the same order, so that two never wait for each other.
CREATE FUNCTION add_trial_sums() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO trial_sums (dimension, key, trials)
  SELECT d.dimension, d.key, count(*) FROM added t CROSS JOIN LATERAL (VALUES
    ('alloyId', t.alloy_id), ('heatLot', t.heat_lot), ('machineSerial', t.machine_serial),
    ('cutterId', t.cutter_id), ('kind', t.kind), ('ending', t.ending), ('all', ''),
    ('family', t.alloy_id || E'\n' || t.edge_family)) AS d (dimension, key)
  GROUP BY d.dimension, d.key ORDER BY d.dimension, d.key
  ON CONFLICT (dimension, key) DO UPDATE SET trials = trial_sums.trials + excluded.trials;
  RETURN NULL;
END;
$$;
--> statement-breakpoint
CREATE TRIGGER trials_summed AFTER INSERT ON trials REFERENCING NEW TABLE AS added
  FOR EACH STATEMENT EXECUTE FUNCTION add_trial_sums();
--> statement-breakpoint
-- One that was put right counts no more.
CREATE FUNCTION take_trial_sums() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE trial_sums s SET trials = s.trials - d.n FROM (
    SELECT d.dimension, d.key, count(*) AS n FROM gone t CROSS JOIN LATERAL (VALUES
      ('alloyId', t.alloy_id), ('heatLot', t.heat_lot), ('machineSerial', t.machine_serial),
      ('cutterId', t.cutter_id), ('kind', t.kind), ('ending', t.ending), ('all', ''),
      ('family', t.alloy_id || E'\n' || t.edge_family)) AS d (dimension, key)
    WHERE t.corrected_by IS NULL
    GROUP BY d.dimension, d.key) d
  WHERE s.dimension = d.dimension AND s.key = d.key;
  RETURN NULL;
END;
$$;
--> statement-breakpoint
CREATE TRIGGER trials_corrected AFTER UPDATE ON trials REFERENCING OLD TABLE AS gone
  FOR EACH STATEMENT EXECUTE FUNCTION take_trial_sums();
