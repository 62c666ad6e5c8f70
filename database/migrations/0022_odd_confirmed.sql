-- Sets that lay too far from what was believed wait until somebody says that they were so (rule L7).
create table odd_confirmed (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  visit_id uuid not null references visit unique,
  confirmed_by uuid not null references person,
  confirmed_at timestamptz not null
);
create index on odd_confirmed (episode_id);
alter table odd_confirmed enable row level security;
create policy own_clinic on odd_confirmed using (clinic_id = current_clinic()) with check (clinic_id = current_clinic());
grant select, insert on odd_confirmed to bexlo_app;
create trigger touch_insert after insert on odd_confirmed referencing new table as changed for each statement
  execute function touch('select episode_id as of, clinic_id from changed');
