-- A painting is looked at before a hand is laid on it.

INSERT INTO stage VALUES ('look');
