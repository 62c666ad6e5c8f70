-- The clinic's own time orders what was done; what a tablet's clock said is kept beside it. Attempts that were refused
-- are kept with who and when, and so is a record that came again under the same id with other content.

alter table floor_session add column received_at timestamptz;
alter table floor_session add column tablet_at timestamptz;
update floor_session set tablet_at = started_at, received_at = least(started_at, now());
update floor_session set started_at = received_at where started_at > now();
alter table floor_session alter column received_at set not null;
create index on floor_session (episode_id, received_at);

alter table floor_session_end add column received_at timestamptz;
alter table floor_session_end add column tablet_at timestamptz;
update floor_session_end set tablet_at = ended_at, received_at = least(ended_at, now());
update floor_session_end set ended_at = received_at where ended_at > now();
alter table floor_session_end alter column received_at set not null;

alter table hold_record add column tablet_at timestamptz;
update hold_record set tablet_at = started_at;
update hold_record set started_at = received_at where started_at > now();

-- one clearing row for a sign; a sign that two people clear at once is cleared once
create unique index on recheck (clears) where clears is not null;

create table refused_attempt (
  id bigint generated always as identity primary key,
  clinic_id uuid not null references clinic,
  at timestamptz not null,
  person_id uuid not null references person,
  client_id uuid references client,
  deed text not null,
  sentence text not null,
  content jsonb
);
create index on refused_attempt (clinic_id, client_id, at);
alter table refused_attempt enable row level security;
create policy own_clinic on refused_attempt
  using (clinic_id = current_clinic()) with check (clinic_id = current_clinic());
grant select, insert on refused_attempt to bexlo_app;

-- plates in more combinations than a server can lay out: such a machine is put out of use until its plates are counted
create function plate_combinations(steps jsonb) returns numeric
  language sql immutable
  as $$ select coalesce(exp(sum(ln(1 + value::numeric))), 1) from jsonb_each_text(steps -> 'perSide') $$;
update machine set retired_at = now()
  where retired_at is null and steps ->> 'kind' = 'pairs' and plate_combinations(steps) > 4096.5;
drop function plate_combinations(jsonb);

-- what is done every day, asked in the story: bounds an untested strength from below; null was never asked
alter table episode
  add column rises text check (rises in ('yes', 'hands', 'no')),
  add column climbs text check (climbs in ('yes', 'rail', 'no')),
  add column is_inactive boolean;
-- weeks alone open nothing: until a therapist confirms a phase the first one's limits hold, and nobody confirmed it
alter table episode_condition add column confirmed_at timestamptz;
update episode_condition k set confirmed_at = k.phase_since::timestamptz
  where exists (select 1 from audit a where a.deed = 'phase.confirm' and a.subject_id = k.episode_id);
grant update (confirmed_at) on episode_condition to bexlo_app;

-- whether a question was asked by itself, or answered with its group after all of it was shown; why pressure was not taken
alter table screening_answer add column asked_as text not null default 'one' check (asked_as in ('one', 'group'));
alter table screening add column pressure_not_taken text;

-- when pain and swelling of the story were asked: they count as findings of that day
alter table episode add column story_at timestamptz;
update episode e set story_at =
  coalesce((select min(k.set_at) from episode_condition k where k.episode_id = e.id), e.began_on::timestamptz);
alter table episode alter column story_at set not null;
grant update (rises, climbs, is_inactive, story_at) on episode to bexlo_app;

-- why a therapist went above the start cap of a machine
alter table set_up_card add column above_start text;

-- more can be bounded by hand
do $$
declare name text;
begin
  for name in select conname from pg_constraint
    where conrelid = 'episode_limit'::regclass and contype = 'c' and pg_get_constraintdef(oid) like '%knee_flexion_under_load%'
  loop execute format('alter table episode_limit drop constraint %I', name); end loop;
end $$;
alter table episode_limit add constraint episode_limit_kind_check check (kind in (
  'knee_flexion', 'knee_flexion_under_load', 'extension_hold_angles', 'hold_effort', 'hold_seconds',
  'open_chain_extension', 'open_chain_load', 'static_quad', 'closed_chain_depth', 'closed_chain_load', 'single_leg',
  'resisted_knee_flexion', 'resisted_bending_load', 'weight_bearing', 'weight_on_leg', 'hip_flexion', 'hip_abduction',
  'hip_adduction', 'hip_flexion_resisted', 'across_midline', 'hip_behind_body', 'back_bending', 'back_arching',
  'back_demand', 'weight_on_shoulders', 'kneeling', 'impact', 'balance_demand', 'entry_demand', 'joint_pain',
  'pain_rise', 'morning_rise', 'felt_effort', 'reserve', 'holds_first', 'presence'));
