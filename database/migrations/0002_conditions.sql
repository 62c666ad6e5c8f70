-- What an episode is about, in the terms of the rule base: condition, variant, the phase a therapist has confirmed
-- (weeks alone never open a phase) and the stances chosen for this client. Limits are computed from it by the core.

create table episode_condition (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  condition_id text not null,
  variant_id text not null,
  phase_id text not null,
  began_on date not null,
  -- stance id -> option id; a stance that is not named has its default
  stances jsonb not null default '{}',
  set_by uuid not null references person,
  set_at timestamptz not null,
  unique (episode_id, condition_id)
);

alter table episode_condition enable row level security;
create policy own_clinic on episode_condition
  using (clinic_id = current_clinic()) with check (clinic_id = current_clinic());
grant select on episode_condition to bexlo_app;
