-- What a practitioner enters before any dose: the whole story, warning-sign answers with their clearances, limits of
-- every kind, stances, confirmed phases, and all measurements. What was answered, measured or chosen is append-only;
-- a limit or stance is changed by a row that names the one it replaces, so that two people cannot both replace it.

alter table client
  -- which table of norms is read for sit-to-stand; nothing else depends on it
  add column norm_sex text check (norm_sex in ('female', 'male'));

alter table episode
  add column pain_now int check (pain_now between 0 and 10),
  add column pain_worst int check (pain_worst between 0 and 10),
  add column pain_best int check (pain_best between 0 and 10),
  add column pain_marks text[] not null default '{}',
  add column brings_on text check (brings_on in ('much', 'some', 'little')),
  add column settles_in text check (settles_in in ('minutes', 'hours', 'days')),
  add column details text not null default '',
  add column surgeon_note text not null default '',
  -- [{ goalId, words, hard }], hardest first matter most
  add column goals jsonb not null default '[]',
  add column support text not null default 'none' check (support in ('none', 'sleeve', 'brace', 'tight_wrap')),
  add column trains_at text not null default 'clinic_gym' check (trains_at in ('clinic_gym', 'other_gym', 'home')),
  add column weekdays int[] not null default '{}',
  -- conditions the rule base does not cover: no automatic limits while any is named
  add column uncovered text[] not null default '{}',
  add column closed_because text,
  add column version int not null default 1;

alter table episode_condition
  add column phase_since date,
  add column functional_met text[] not null default '{}',
  add column ended_on date,
  add column version int not null default 1;
update episode_condition set phase_since = began_on;
alter table episode_condition alter column phase_since set not null;

alter table episode_limit
  drop constraint episode_limit_kind_check,
  alter column bound drop not null,
  add column word text,
  add column is_lifted boolean not null default false,
  add column replaces uuid unique references episode_limit,
  add check (kind in ('knee_flexion_under_load', 'extension_hold_angles', 'hold_effort', 'hold_seconds',
    'open_chain_extension', 'open_chain_load', 'closed_chain_depth', 'closed_chain_load', 'single_leg',
    'resisted_knee_flexion', 'weight_bearing', 'weight_on_leg', 'hip_flexion', 'back_bending', 'back_arching',
    'back_demand', 'weight_on_shoulders', 'kneeling', 'impact', 'balance_demand', 'joint_pain', 'felt_effort')),
  add check (bound is not null or word is not null);

create table stance_choice (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  -- null: the clinic's default
  episode_id uuid references episode,
  stance_id text not null,
  -- null: back to the default
  option_id text,
  reason text not null,
  replaces uuid unique references stance_choice,
  set_by uuid not null references person,
  set_at timestamptz not null
);
create unique index stance_first on stance_choice (clinic_id, coalesce(episode_id, clinic_id), stance_id)
  where replaces is null;

-- a colleague who sees it differently says so; the choice in force stays
create table stance_view (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  stance_id text not null,
  option_id text not null,
  reason text not null,
  said_by uuid not null references person,
  said_at timestamptz not null
);

insert into stance_choice (id, clinic_id, episode_id, stance_id, option_id, reason, set_by, set_at)
  select gen_random_uuid(), c.clinic_id, c.episode_id, c.condition_id || '.' || s.key, s.value, 'chosen before', c.set_by, c.set_at
  from episode_condition c, jsonb_each_text(c.stances) s;
alter table episode_condition drop column stances;

create table screening (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  systolic_mmhg int check (systolic_mmhg between 60 and 260),
  diastolic_mmhg int check (diastolic_mmhg between 30 and 160),
  answered_by uuid not null references person,
  answered_at timestamptz not null
);
create index on screening (episode_id, answered_at);

create table screening_answer (
  clinic_id uuid not null references clinic,
  screening_id uuid not null references screening,
  question_id text not null,
  answer text not null check (answer in ('no', 'yes', 'unsure')),
  escalations text[] not null,
  primary key (screening_id, question_id)
);

create table screening_clearance (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  screening_id uuid not null,
  question_id text not null,
  on_word_of text not null check (on_word_of in ('therapist', 'physician')),
  words text not null,
  cleared_by uuid not null references person,
  cleared_at timestamptz not null,
  foreign key (screening_id, question_id) references screening_answer,
  unique (screening_id, question_id)
);

create table measurement (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  kind text not null check (kind in ('knee_bend', 'knee_straightening', 'hip_bend', 'quadriceps_lag', 'swelling',
    'girth_mid_patella', 'girth_thigh', 'girth_calf', 'sit_to_stand_30s', 'single_leg_balance', 'daily_pain',
    'repetition_test')),
  side text check (side in ('left', 'right')),
  -- degrees, grade, cm, repetitions, seconds, score or kg, as the kind says
  value numeric not null,
  way text check (way in ('active', 'passive')),
  source text not null check (source in ('typed', 'angle_sensor')),
  -- repetition test: what was lifted how often with how many in reserve; sit-to-stand: chair and arms
  apparatus text,
  reps int check (reps between 1 and 60),
  reserve int check (reserve between 0 and 10),
  two_legs boolean,
  chair_m numeric check (chair_m between 0.2 and 0.8),
  arms_used boolean,
  taken_at timestamptz not null,
  taken_by uuid not null references person,
  voided_at timestamptz,
  voided_by uuid references person,
  void_reason text
);
create index on measurement (episode_id, kind, taken_at);

-- a citation that somebody has read and found to say what the rule says; all others stay "unverified"
create table source_check (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  citation text not null,
  is_checked boolean not null,
  seq bigint generated always as identity,
  note text not null,
  checked_by uuid not null references person,
  checked_at timestamptz not null
);

alter table strength_test
  drop constraint strength_test_movement_check,
  add check (movement in ('knee_extension', 'knee_flexion', 'hip_abduction', 'hip_adduction', 'hip_extension', 'calf')),
  -- of the hip or ankle where those are tested; knee movements have knee_flexion_deg alone
  add column joint_angle_deg numeric check (joint_angle_deg between -30 and 120);

do $$
declare t text;
begin
  foreach t in array array['stance_choice', 'stance_view', 'screening', 'screening_answer', 'screening_clearance',
    'measurement', 'source_check']
  loop
    execute format('alter table %I enable row level security', t);
    execute format(
      'create policy own_clinic on %I using (clinic_id = current_clinic()) with check (clinic_id = current_clinic())', t);
    execute format('grant select, insert on %I to bexlo_app', t);
  end loop;
end $$;

grant update (name, occupation, birth_year, norm_sex) on client to bexlo_app;
grant update (side, condition, began_on, began_with, irritability, usual_pain, swelling_applies, first_swelling, goal,
  pain_now, pain_worst, pain_best, pain_marks, brings_on, settles_in, details, surgeon_note, goals, support, trains_at,
  weekdays, uncovered, closed_on, closed_because, version) on episode to bexlo_app;
grant insert on episode_condition to bexlo_app;
grant update (variant_id, phase_id, phase_since, functional_met, began_on, ended_on, version) on episode_condition
  to bexlo_app;
grant update (voided_at, voided_by, void_reason) on measurement to bexlo_app;
