-- Words inside a text are found by its threes of letters.
CREATE EXTENSION IF NOT EXISTS pg_trgm;--> statement-breakpoint
DROP INDEX "jobs_status";--> statement-breakpoint
CREATE INDEX "jobs_updated" ON "jobs" USING btree ("updated_at","id");--> statement-breakpoint
CREATE INDEX "jobs_found_by" ON "jobs" USING gin (lower("number" || ' ' || "part" || ' ' || "customer" || ' ' || "heat_lot") gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "jobs_status" ON "jobs" USING btree ("status","updated_at","id");