-- A database as migration 0009 left it: two who sign in, one of them signed in, one gone.
INSERT INTO people (id, initials, name, role, passphrase_hash, left, revision)
VALUES ('person_1', 'HL', 'Lead of the bench', 'lead', '$argon2id$v=19$m=19456,t=2,p=1$c2FsdHNhbHRzYWx0$9mRZb3xkQ0J5r1u2s3t4v5w6x7y8z9A0B1C2D3E4F5G', 0, 1);
INSERT INTO people (id, initials, name, role, passphrase_hash, left, revision)
VALUES ('person_2', 'RT', 'Of an earlier year', 'technician', '$argon2id$v=19$m=19456,t=2,p=1$c2FsdHNhbHRzYWx0$9mRZb3xkQ0J5r1u2s3t4v5w6x7y8z9A0B1C2D3E4F5G', 1, 3);
INSERT INTO sessions (digest, person_id, opened_at_ms, seen_at_ms)
VALUES ('6Wq3yM1Jf2mSx0o8kq1o0cGQ0W1b2c3d4e5f6g7h8i9', 'person_1', 1790612742528, 1790616342528);
