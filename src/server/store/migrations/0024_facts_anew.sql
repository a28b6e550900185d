-- What a job was foretold to cost is of all its halves now, as what it did cost is: jobs are counted anew as the server starts.
DELETE FROM job_facts;
