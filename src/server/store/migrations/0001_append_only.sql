-- Findings and run events are history: a later entry corrects an earlier one, nothing rewrites it.
CREATE TRIGGER run_events_keep BEFORE UPDATE ON run_events
BEGIN SELECT RAISE(ABORT, 'run events are append-only'); END;
--> statement-breakpoint
CREATE TRIGGER run_events_stay BEFORE DELETE ON run_events
BEGIN SELECT RAISE(ABORT, 'run events are append-only'); END;
--> statement-breakpoint
CREATE TRIGGER findings_keep BEFORE UPDATE ON findings
BEGIN SELECT RAISE(ABORT, 'findings are append-only'); END;
--> statement-breakpoint
CREATE TRIGGER findings_stay BEFORE DELETE ON findings
BEGIN SELECT RAISE(ABORT, 'findings are append-only'); END;
--> statement-breakpoint
-- What a job was planned from and what it was told stay as accepted.
CREATE TRIGGER jobs_plan_stays BEFORE UPDATE OF input, setting, plan, model_version ON jobs
BEGIN SELECT RAISE(ABORT, 'an accepted plan is not changed'); END;
