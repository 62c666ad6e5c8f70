-- All sheets of a day are one day for the knee: the morning after is looked for among the visits of that day.
create index on visit (episode_id, started_at);
