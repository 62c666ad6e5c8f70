-- The first house: people, clients, machines, tests, plans of holds, what was done, the morning after, decisions.
-- Every table of a clinic carries clinic_id and is kept apart by row-level security under the role bexlo_app, which
-- owns nothing. What was done is append-only: the role may insert it and read it, never change it.

create function current_clinic() returns uuid
  language sql stable
  as $$ select nullif(current_setting('app.clinic', true), '')::uuid $$;

create table clinic (
  id uuid primary key,
  name text not null,
  time_zone text not null
);

create table person (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  email text not null unique check (email = lower(email)),
  name text not null,
  role text not null check (role in ('therapist', 'trainer', 'admin')),
  password_hash text not null,
  mass_unit text not null default 'kg' check (mass_unit in ('kg', 'lb')),
  locale text not null default 'en-GB'
);

create table auth_session (
  token_hash bytea primary key,
  clinic_id uuid not null references clinic,
  person_id uuid not null references person,
  created_at timestamptz not null,
  expires_at timestamptz not null
);

-- Belongs to no clinic: nobody is signed in yet. Reached only through the functions below.
create table sign_in_try (
  id bigint generated always as identity primary key,
  key text not null,
  at timestamptz not null default now()
);
create index on sign_in_try (key, at);

create table client (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  name text not null,
  occupation text not null default '',
  birth_year int not null check (birth_year between 1900 and 2100),
  height_m numeric not null check (height_m between 1.2 and 2.2),
  body_mass_kg numeric not null check (body_mass_kg between 25 and 250),
  shank_length_m numeric check (shank_length_m between 0.2 and 0.6)
);

create table episode (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  client_id uuid not null references client,
  side text not null check (side in ('left', 'right')),
  condition text not null,
  began_on date not null,
  began_with text not null check (began_with in ('surgery', 'onset')),
  pain_school text not null check (pain_school in ('pain_free', 'monitoring', 'post_op')),
  irritability text not null check (irritability in ('low', 'moderate', 'high')),
  usual_pain numeric not null check (usual_pain between 0 and 10),
  swelling_applies boolean not null,
  first_swelling int not null check (first_swelling between 0 and 4),
  goal text not null,
  closed_on date
);
create index on episode (client_id);

create table episode_limit (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  kind text not null check (kind in ('knee_flexion_under_load', 'joint_pain')),
  bound numrange not null,
  origin text not null check (origin in ('surgeon', 'therapist', 'condition', 'clinic')),
  reason text not null,
  ends_on date,
  set_by uuid references person,
  set_at timestamptz not null
);
create index on episode_limit (episode_id);

create table machine (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  name text not null,
  family text not null check (family = 'seated_knee_extension'),
  steps jsonb not null,
  ratio_m numeric not null,
  cam jsonb not null,
  pad_distance_m numeric not null,
  friction_share numeric not null,
  backrest_deg numeric not null,
  usable_deg numrange not null,
  angle_notch_deg numeric not null,
  set_up text not null default ''
);

create table cuff (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  label text not null,
  mass_kg numeric not null check (mass_kg > 0)
);

create table strength_test (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  side text not null check (side in ('left', 'right')),
  movement text not null check (movement = 'knee_extension'),
  knee_flexion_deg numeric not null check (knee_flexion_deg between 0 and 130),
  lever_arm_m numeric not null check (lever_arm_m between 0.1 and 0.6),
  pull_angle_deg numeric not null check (pull_angle_deg between 45 and 135),
  zeroed_relaxed boolean not null,
  -- the body as it was when the torque was computed
  body_mass_kg numeric not null,
  shank_length_m numeric not null,
  torque_nm numeric not null check (torque_nm > 0),
  is_reliable boolean not null,
  taken_at timestamptz not null,
  taken_by uuid not null references person,
  voided_at timestamptz,
  voided_by uuid references person,
  void_reason text
);
create index on strength_test (episode_id, taken_at);

create table strength_trial (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  test_id uuid not null references strength_test,
  trial_no int not null check (trial_no between 1 and 4),
  source text not null check (source in ('load_cell', 'file', 'typed')),
  force_n numeric,
  torque_nm numeric,
  is_valid boolean not null,
  flags text[] not null,
  trace_time_s real[],
  trace_force_n real[],
  unique (test_id, trial_no)
);

create table hold_plan (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  version int not null check (version >= 1),
  machine_id uuid not null references machine,
  side text not null check (side in ('left', 'right')),
  knee_flexion_deg numeric not null,
  effort_kind text not null check (effort_kind in ('felt', 'percent')),
  effort_value numeric not null,
  means text not null check (means in ('machine', 'cuff', 'strap')),
  hold_s numeric not null,
  reps int not null,
  rest_s numeric not null,
  sets int not null,
  set_rest_s numeric not null,
  ladder_from_deg numeric not null,
  ladder_to_deg numeric not null,
  -- what was computed when it was saved, kept as it was
  setting text not null,
  load_kg numeric,
  target_torque_nm numeric not null,
  achieved_torque_nm numeric not null,
  achieved_share numeric not null,
  felt_expected numeric not null,
  shin_force_n numeric not null,
  made_by uuid not null references person,
  made_at timestamptz not null,
  unique (episode_id, version)
);

create table recheck (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  at timestamptz not null,
  answered_by uuid not null references person,
  is_clear boolean not null,
  what text not null,
  -- set when a therapist clears an earlier warning sign
  clears uuid references recheck
);
create index on recheck (episode_id, at);

create table floor_session (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  plan_id uuid not null references hold_plan,
  recheck_id uuid not null references recheck,
  started_at timestamptz not null,
  started_by uuid not null references person
);
create index on floor_session (episode_id, started_at);

create table hold_record (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  session_id uuid not null references floor_session,
  seq int not null check (seq >= 1),
  corrects uuid references hold_record,
  is_voided boolean not null,
  started_at timestamptz not null,
  held_s numeric not null check (held_s between 0 and 300),
  pain_before int not null check (pain_before between 0 and 10),
  pain_after int not null check (pain_after between 0 and 10),
  early text check (early in ('muscle', 'joint_pain', 'position', 'other')),
  mean_force_n numeric,
  logged_by uuid not null references person,
  received_at timestamptz not null
);
create index on hold_record (session_id);

create table floor_session_end (
  session_id uuid primary key references floor_session,
  clinic_id uuid not null references clinic,
  ended_at timestamptz not null,
  -- joint pain on arrival, also when it ended the session before the first hold
  pain_at_start int check (pain_at_start between 0 and 10),
  pain_at_end int check (pain_at_end between 0 and 10),
  felt_effort numeric check (felt_effort between 0 and 10),
  stopped text,
  ended_by uuid not null references person
);

create table morning_response (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  session_id uuid not null references floor_session,
  corrects uuid references morning_response,
  pain int not null check (pain between 0 and 10),
  swelling int check (swelling between 0 and 4),
  stiffness_min int check (stiffness_min between 0 and 600),
  entered_at timestamptz not null,
  entered_by uuid not null references person
);
create index on morning_response (session_id);

create table decision (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  session_id uuid not null unique references floor_session,
  input jsonb not null,
  computed_action text not null check (computed_action in ('PROGRESS', 'HOLD', 'REGRESS', 'STOP_REFER')),
  rules text[] not null,
  reasons text[] not null,
  action text not null check (action in ('PROGRESS', 'HOLD', 'REGRESS', 'STOP_REFER')),
  override_reason text,
  banks boolean not null,
  sentence text not null,
  next_plan_id uuid references hold_plan,
  decided_at timestamptz not null,
  decided_by uuid not null references person,
  check ((action = computed_action) = (override_reason is null))
);

create table audit (
  id bigint generated always as identity primary key,
  clinic_id uuid not null references clinic,
  at timestamptz not null,
  person_id uuid not null references person,
  deed text not null,
  subject text not null,
  subject_id uuid not null,
  before jsonb,
  after jsonb
);
create index on audit (clinic_id, subject_id);

-- Row-level security, one policy everywhere.
do $$
declare t text;
begin
  foreach t in array array['person', 'auth_session', 'client', 'episode', 'episode_limit', 'machine', 'cuff',
    'strength_test', 'strength_trial', 'hold_plan', 'recheck', 'floor_session', 'hold_record', 'floor_session_end',
    'morning_response', 'decision', 'audit']
  loop
    execute format('alter table %I enable row level security', t);
    execute format(
      'create policy own_clinic on %I using (clinic_id = current_clinic()) with check (clinic_id = current_clinic())', t);
    execute format('grant select on %I to bexlo_app', t);
  end loop;
end $$;
alter table clinic enable row level security;
create policy own_clinic on clinic using (id = current_clinic());
grant select on clinic to bexlo_app;
alter table sign_in_try enable row level security;

grant insert on strength_test, strength_trial, hold_plan, recheck, floor_session, hold_record, floor_session_end,
  morning_response, decision, audit, client, episode, episode_limit to bexlo_app;
grant update (height_m, body_mass_kg, shank_length_m) on client to bexlo_app;
grant update (voided_at, voided_by, void_reason) on strength_test to bexlo_app;
-- password hashes and session tokens are read by the sign-in functions only
revoke select on person, auth_session from bexlo_app;
grant select (id, clinic_id, email, name, role, mass_unit, locale) on person to bexlo_app;

-- Signing in happens before a clinic is known, so it goes through functions of the owner.
create function auth_find_person(wanted_email text)
  returns table (person_id uuid, clinic_id uuid, password_hash text)
  language sql security definer set search_path = public, pg_temp
  as $$ select id, person.clinic_id, person.password_hash from person where email = lower(wanted_email) $$;

-- Counts this try and says whether it may go on: at most `most` tries per key within 15 minutes.
create function auth_may_try(wanted_key text, most int) returns boolean
  language plpgsql security definer set search_path = public, pg_temp
  as $$
declare tries int;
begin
  perform pg_advisory_xact_lock(hashtext(wanted_key));
  delete from sign_in_try where at < now() - interval '1 day';
  select count(*) into tries from sign_in_try where key = wanted_key and at > now() - interval '15 minutes';
  if tries >= most then return false; end if;
  insert into sign_in_try (key) values (wanted_key);
  return true;
end $$;

create function auth_forget_tries(wanted_key text) returns void
  language sql security definer set search_path = public, pg_temp
  as $$ delete from sign_in_try where key = wanted_key $$;

create function auth_open_session(new_hash bytea, for_person uuid, valid_until timestamptz) returns void
  language sql security definer set search_path = public, pg_temp
  as $$
    delete from auth_session where expires_at < now();
    insert into auth_session (token_hash, clinic_id, person_id, created_at, expires_at)
      select new_hash, clinic_id, id, now(), valid_until from person where id = for_person
  $$;

create function auth_find_session(wanted_hash bytea)
  returns table (person_id uuid, clinic_id uuid, name text, role text, mass_unit text, locale text,
                 clinic_name text, time_zone text)
  language sql security definer set search_path = public, pg_temp
  as $$
    select p.id, p.clinic_id, p.name, p.role, p.mass_unit, p.locale, c.name, c.time_zone
    from auth_session s join person p on p.id = s.person_id join clinic c on c.id = p.clinic_id
    where s.token_hash = wanted_hash and s.expires_at > now()
  $$;

create function auth_close_session(old_hash bytea) returns void
  language sql security definer set search_path = public, pg_temp
  as $$ delete from auth_session where token_hash = old_hash $$;

do $$
declare f text;
begin
  foreach f in array array['auth_find_person(text)', 'auth_may_try(text, int)', 'auth_forget_tries(text)',
    'auth_open_session(bytea, uuid, timestamptz)', 'auth_find_session(bytea)', 'auth_close_session(bytea)']
  loop
    execute 'revoke all on function ' || f || ' from public';
    execute 'grant execute on function ' || f || ' to bexlo_app';
  end loop;
end $$;
