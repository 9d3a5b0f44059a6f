-- A move of the cloth or of the rack is undone by a move of its own, which names it: a piece that was cut by mistake is uncut,
-- a frame that was sawn by mistake is unsawn.
ALTER TABLE cloth_move ADD COLUMN undoes TEXT REFERENCES cloth_move (id);
ALTER TABLE rack_move ADD COLUMN undoes TEXT REFERENCES rack_move (id);

CREATE UNIQUE INDEX cloth_move_undone ON cloth_move (undoes) WHERE undoes IS NOT NULL;
CREATE UNIQUE INDEX rack_move_undone ON rack_move (undoes) WHERE undoes IS NOT NULL;

CREATE TRIGGER cloth_move_uncuts AFTER INSERT ON cloth_move WHEN NEW.undoes IS NOT NULL
BEGIN
  DELETE FROM cloth_cut WHERE move = (SELECT rowid FROM cloth_move WHERE id = NEW.undoes);
END;
CREATE TRIGGER rack_move_unsaws AFTER INSERT ON rack_move WHEN NEW.undoes IS NOT NULL
BEGIN
  DELETE FROM sawn_job WHERE job_id IN (
    SELECT each.value FROM rack_move, json_each(rack_move.jobs) AS each WHERE rack_move.id = NEW.undoes
  );
END;
