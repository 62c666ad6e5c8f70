-- A stop, or pain above the limit, is put before a therapist until one has seen it.
create table concern_seen (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  visit_id uuid not null references visit,
  -- the answer of the morning that was seen; null: the visit itself
  response_id uuid references response,
  seen_by uuid not null references person,
  seen_at timestamptz not null
);
create unique index on concern_seen (visit_id, response_id) nulls not distinct;
create index on concern_seen (episode_id);
alter table concern_seen enable row level security;
create policy own_clinic on concern_seen using (clinic_id = current_clinic()) with check (clinic_id = current_clinic());
grant select, insert on concern_seen to bexlo_app;
create trigger touch_insert after insert on concern_seen referencing new table as changed for each statement
  execute function touch('select episode_id as of, clinic_id from changed');
