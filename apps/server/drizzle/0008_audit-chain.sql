-- What an event says, word for word the same whenever it is asked.
CREATE FUNCTION audit_event_text(e audit_events) RETURNS text LANGUAGE sql STABLE AS $$
  SELECT jsonb_build_array(e.id, to_char(e.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'), e.person_id, e.person_name,
    e.action, e.job_id, e.subject, e.detail)::text
$$;
--> statement-breakpoint
-- At the end of each transaction, one after the other: each link holds the hash of the one before. With the owner's rights, so that
-- the application itself may write no link.
CREATE FUNCTION chain_audit_event() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog, public AS $$
DECLARE
  last_seq bigint;
  last_hash text;
BEGIN
  PERFORM pg_advisory_xact_lock(7061519);
  SELECT seq, hash INTO last_seq, last_hash FROM audit_chain ORDER BY seq DESC LIMIT 1;
  INSERT INTO audit_chain (seq, event_id, hash) VALUES (
    coalesce(last_seq, 0) + 1,
    NEW.id,
    encode(sha256(convert_to(coalesce(last_hash, '') || audit_event_text(NEW), 'UTF8')), 'hex')
  );
  RETURN NULL;
END;
$$;
--> statement-breakpoint
DO $$
DECLARE
  e audit_events;
  last_hash text := '';
  n bigint := 0;
BEGIN
  FOR e IN SELECT * FROM audit_events ORDER BY id LOOP
    n := n + 1;
    last_hash := encode(sha256(convert_to(last_hash || audit_event_text(e), 'UTF8')), 'hex');
    INSERT INTO audit_chain (seq, event_id, hash) VALUES (n, e.id, last_hash);
  END LOOP;
END;
$$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER audit_events_chained AFTER INSERT ON audit_events
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION chain_audit_event();
--> statement-breakpoint
CREATE TRIGGER audit_chain_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON audit_chain
  FOR EACH STATEMENT EXECUTE FUNCTION audit_events_are_append_only();
--> statement-breakpoint
-- What a job names, found without reading every variant.
CREATE INDEX variants_alloy ON variants ((document ->> 'alloyId'));
--> statement-breakpoint
CREATE INDEX variants_machine ON variants ((document ->> 'machineId'));
--> statement-breakpoint
CREATE INDEX variants_cutter ON variants ((document -> 'tooling' ->> 'cutterId'));
--> statement-breakpoint
CREATE INDEX variants_holder ON variants ((document -> 'tooling' ->> 'holderId'));
