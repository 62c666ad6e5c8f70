-- How sore the muscles were the morning after (rules Sore 1 and 2); null: not asked.
alter table response add column soreness jsonb,
  add constraint response_soreness_check check (soreness is null or jsonb_typeof(soreness) = 'object');
