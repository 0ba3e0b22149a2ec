CREATE TABLE "audit_chain" (
	"seq" bigint PRIMARY KEY NOT NULL,
	"event_id" bigint NOT NULL,
	"hash" text NOT NULL,
	CONSTRAINT "audit_chain_event_id_unique" UNIQUE("event_id")
);
--> statement-breakpoint
CREATE TABLE "job_summaries" (
	"job_id" uuid PRIMARY KEY NOT NULL,
	"physics" text DEFAULT '' NOT NULL,
	"stale_since" timestamp with time zone,
	"operations" integer DEFAULT 0 NOT NULL,
	"minutes" double precision DEFAULT 0 NOT NULL,
	"governing" jsonb
);
--> statement-breakpoint
CREATE TABLE "password_links" (
	"token_hash" text PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"expires_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "sessions" (
	"id_hash" text PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"epoch" integer NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"seen_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "sign_in_limits" (
	"key" text PRIMARY KEY NOT NULL,
	"points" integer DEFAULT 0 NOT NULL,
	"expire" bigint
);
--> statement-breakpoint
ALTER TABLE "job_summaries" ADD CONSTRAINT "job_summaries_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "password_links" ADD CONSTRAINT "password_links_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "job_summaries_stale" ON "job_summaries" USING btree ("stale_since");--> statement-breakpoint
CREATE INDEX "sessions_person" ON "sessions" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "sessions_seen" ON "sessions" USING btree ("seen_at");