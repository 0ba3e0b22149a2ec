-- Sessions are kept by hash and person from now on: everybody signs in once more.
DROP TABLE "sessions" CASCADE;--> statement-breakpoint
ALTER TABLE "people" ALTER COLUMN "password_hash" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "state" text DEFAULT 'active' NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "epoch" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;