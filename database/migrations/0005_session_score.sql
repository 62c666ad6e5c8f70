-- A client's session as a score: exercises in order, each with its scheme. Versions, never an edit in place.

create table session_score (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  version int not null check (version >= 1),
  -- [{ exerciseId, scheme, sides }], parsed by the core's schema
  items jsonb not null,
  seconds numeric not null,
  hard_reps numeric not null,
  made_by uuid not null references person,
  made_at timestamptz not null,
  unique (episode_id, version)
);
alter table session_score enable row level security;
create policy own_clinic on session_score using (clinic_id = current_clinic()) with check (clinic_id = current_clinic());
grant select, insert on session_score to bexlo_app;
