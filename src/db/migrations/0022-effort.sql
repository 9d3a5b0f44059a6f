-- What is set up once is shared by the canvases of a set: who joins one changes what its others take.
CREATE TRIGGER job_joined_set AFTER UPDATE OF set_id ON job WHEN NEW.set_id IS NOT NULL
BEGIN INSERT OR IGNORE INTO job_unsettled SELECT id FROM job WHERE set_id = NEW.set_id; END;
