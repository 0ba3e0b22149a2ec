CREATE TABLE "shop_rates" (
	"only" boolean PRIMARY KEY DEFAULT true NOT NULL,
	"rates" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_by" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "plan" jsonb DEFAULT '{"part":null,"stock":{"top":0,"bottom":0,"left":0,"right":0,"front":0,"back":0},"hardness":null,"toleranceMm":null,"raUm":null,"spares":0,"blankPrice":null,"firstThroughAll":false,"features":[]}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "setups" ADD COLUMN "plan" jsonb DEFAULT '{"machineId":null,"up":"top","datum":"","workOffset":"","holding":null,"fixturePrice":null,"partsPerLoad":1,"order":"by-tool","locatesOn":"","alone":false}'::jsonb NOT NULL;