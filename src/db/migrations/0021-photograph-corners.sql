-- Where the corners of the image lie on a photograph, as parts of its width and height: two photographs are compared at one scale.
CREATE TABLE photograph_corners (
  entry_id TEXT PRIMARY KEY REFERENCES photograph (entry_id),
  corners TEXT NOT NULL CHECK (json_valid(corners))
) STRICT, WITHOUT ROWID;
