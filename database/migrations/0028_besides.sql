-- What a client does every week beside the exercises, and what was done beside a visit (rules Besides 1 to 3). Of an answer
-- null: nobody asked; an empty list: nothing else.
alter table episode add column activities jsonb not null default '[]',
  add constraint episode_activities_check check (jsonb_typeof(activities) = 'array' and jsonb_array_length(activities) <= 6);
alter table response add column besides jsonb,
  add constraint response_besides_check check (besides is null or (jsonb_typeof(besides) = 'array' and jsonb_array_length(besides) <= 3));
grant update (activities) on episode to bexlo_app;
