-- A database as migration 0010 left it: what is written is looked for from then on.
INSERT INTO people (id, initials, name, role, passphrase_hash, left, revision)
VALUES ('person_1', 'HL', 'Lead of the bench', 'lead', '$argon2id$v=19$m=19456,t=2,p=1$c2FsdHNhbHRzYWx0$9mRZb3xkQ0J5r1u2s3t4v5w6x7y8z9A0B1C2D3E4F5G', 0, 1);
