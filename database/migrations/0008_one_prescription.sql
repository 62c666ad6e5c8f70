-- One prescription: what is planned is run, logged and decided. Sheets with versions, lines that keep their id and their
-- figures, visits with what was done in every set, responses, decisions by line. Everything stored so far is carried over.

create table sheet (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  name text not null check (length(name) between 2 and 40),
  place text not null check (place in ('gym', 'home', 'bodyweight')),
  made_by uuid not null references person,
  made_at timestamptz not null,
  retired_at timestamptz,
  retired_by uuid references person
);
create unique index on sheet (episode_id, lower(name)) where retired_at is null;

create table sheet_version (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  sheet_id uuid not null references sheet,
  version int not null check (version >= 1),
  origin text not null check (origin in ('desk', 'decision', 'standing_order')),
  seconds numeric not null,
  hard_reps numeric not null,
  -- seconds of a chair rise; null for what was saved before this was kept
  kneecap_chair_s numeric,
  made_by uuid not null references person,
  made_at timestamptz not null,
  unique (sheet_id, version)
);

create table sheet_line (
  version_id uuid not null references sheet_version,
  clinic_id uuid not null references clinic,
  line_id uuid not null,
  seq int not null check (seq >= 1),
  exercise_id text not null,
  scheme_kind text not null,
  -- as it was planned, parsed by the core's schema
  plan jsonb not null,
  -- every figure that was computed when it was saved, parsed by the core's schema; null: saved before figures were kept
  kept jsonb,
  -- the row it was carried over from, whole
  earlier jsonb,
  primary key (version_id, line_id),
  unique (version_id, seq)
);
create index on sheet_line (line_id);

create table visit (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  version_id uuid not null references sheet_version,
  place text not null check (place in ('clinic', 'gym', 'home')),
  -- the leg that begins where legs work one after the other
  first_side text not null check (first_side in ('left', 'right')),
  recheck_id uuid not null references recheck,
  -- the lines as they were run, with the limits of the day; null: carried over, it was run before logs were kept
  lines jsonb,
  started_at timestamptz not null,
  tablet_at timestamptz not null,
  received_at timestamptz not null,
  started_by uuid not null references person
);
create index on visit (episode_id, received_at);
create index on visit (version_id);

-- what happened, in order: the visit is the fold over it
create table visit_event (
  visit_id uuid not null references visit,
  seq int not null check (seq >= 1),
  clinic_id uuid not null references clinic,
  event jsonb not null,
  by uuid not null references person,
  received_at timestamptz not null,
  primary key (visit_id, seq)
);

create table visit_end (
  visit_id uuid primary key references visit,
  clinic_id uuid not null references clinic,
  ended_at timestamptz not null,
  tablet_at timestamptz not null,
  received_at timestamptz not null,
  pain_at_start int check (pain_at_start between 0 and 10),
  pain_at_end int check (pain_at_end between 0 and 10),
  stopped text,
  signed_by uuid not null references person
);

create table set_record (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  visit_id uuid not null references visit,
  line_id uuid not null,
  exercise_id text not null,
  set_no int not null check (set_no >= 1),
  leg text not null check (leg in ('both', 'left', 'right')),
  bout_no int not null check (bout_no >= 1),
  corrects uuid references set_record,
  is_voided boolean not null,
  started_at timestamptz not null,
  tablet_at timestamptz not null,
  worked_s numeric not null check (worked_s between 0 and 1800),
  reps int check (reps between 0 and 200),
  load_kg numeric check (load_kg between 0 and 1000),
  how text,
  range_from_deg numeric,
  range_to_deg numeric,
  pain_before int check (pain_before between 0 and 10),
  -- joint pain in the set
  pain int not null check (pain between 0 and 10),
  reserve numeric check (reserve between 0 and 10),
  felt numeric check (felt between 0 and 10),
  early text check (early in ('muscle', 'joint_pain', 'position', 'range', 'other')),
  mean_force_n numeric,
  counted_by text not null check (counted_by in ('tap', 'sensor', 'cell', 'clock', 'client')),
  logged_by uuid not null references person,
  received_at timestamptz not null
);
create index on set_record (visit_id);
create index on set_record (line_id, received_at);
-- whether a record stands is asked of every one that is counted
create index on set_record (corrects) where corrects is not null;

create table response (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  visit_id uuid not null references visit,
  corrects uuid references response,
  pain int not null check (pain between 0 and 10),
  swelling int check (swelling between 0 and 4),
  stiffness_min int check (stiffness_min between 0 and 600),
  alarm text,
  answered_by text not null check (answered_by in ('client', 'staff')),
  answered_at timestamptz not null,
  entered_by uuid not null references person
);
create index on response (visit_id);

create table line_decision (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  visit_id uuid not null references visit,
  -- null: one decision for all lines
  line_id uuid,
  input jsonb not null,
  computed_action text not null check (computed_action in ('PROGRESS', 'HOLD', 'REGRESS', 'STOP_REFER')),
  rules text[] not null,
  reasons text[] not null,
  changes jsonb not null,
  action text not null check (action in ('PROGRESS', 'HOLD', 'REGRESS', 'STOP_REFER')),
  override_reason text,
  banks boolean not null,
  sentence text not null,
  -- by whose standing order it was taken by itself; null: a person took it
  by_order_of text,
  next_version_id uuid references sheet_version,
  decided_at timestamptz not null,
  decided_by uuid not null references person,
  unique nulls not distinct (visit_id, line_id),
  check ((action = computed_action) = (override_reason is null))
);
create index on line_decision (line_id, decided_at);

-- Holds of earlier: one sheet an episode, its versions are the plans, one line with one id for ever.
create function pg_temp.made_id(what text) returns uuid
  language sql immutable as $$ select overlay(overlay(md5(what) placing '4' from 13) placing '8' from 17)::uuid $$;
create function pg_temp.line_of(episode uuid, what text) returns uuid
  language sql immutable as $$ select pg_temp.made_id('line ' || episode || ' ' || what) $$;
create function pg_temp.five(deg numeric) returns numeric
  language sql immutable as $$ select round(deg / 5) * 5 $$;

insert into sheet (id, clinic_id, episode_id, name, place, made_by, made_at)
select distinct on (h.episode_id) pg_temp.made_id('holds ' || h.episode_id), h.clinic_id, h.episode_id, 'Holds', 'gym', h.made_by, h.made_at
from hold_plan h order by h.episode_id, h.version;

insert into sheet_version (id, clinic_id, sheet_id, version, origin, seconds, hard_reps, kneecap_chair_s, made_by, made_at)
select h.id, h.clinic_id, pg_temp.made_id('holds ' || h.episode_id), h.version,
  case when exists (select 1 from decision d where d.next_plan_id = h.id) then 'decision' else 'desk' end,
  -- warm-up, setting up, holds with rests, logging (dosing rules H3)
  300 + 30 + h.sets * (h.reps * h.hold_s + (h.reps - 1) * h.rest_s) + (h.sets - 1) * h.set_rest_s + 15,
  0, null, h.made_by, h.made_at
from hold_plan h;

insert into sheet_line (version_id, clinic_id, line_id, seq, exercise_id, scheme_kind, plan, kept, earlier)
select h.id, h.clinic_id, pg_temp.line_of(h.episode_id, 'hold'), 1, x.exercise_id, 'holds',
  jsonb_build_object(
    'lineId', pg_temp.line_of(h.episode_id, 'hold'), 'exerciseId', x.exercise_id, 'legs', 'one', 'window', null,
    'sharesRests', false, 'machineId', case when h.means = 'machine' then h.machine_id end,
    'scheme', jsonb_build_object('kind', 'holds', 'sets', h.sets, 'reps', h.reps, 'holdS', least(h.hold_s, 60),
      'restS', h.rest_s, 'setRestS', h.set_rest_s, 'atDeg', pg_temp.five(h.knee_flexion_deg),
      'effort', case when h.effort_kind = 'felt' then jsonb_build_object('kind', 'felt', 'felt', h.effort_value)
        else jsonb_build_object('kind', 'percent', 'percent', h.effort_value) end),
    'ladder', jsonb_build_object('of', 'angle', 'fromDeg', pg_temp.five(h.ladder_from_deg),
      'toDeg', pg_temp.five(h.ladder_to_deg))),
  jsonb_build_object(
    'lineId', pg_temp.line_of(h.episode_id, 'hold'), 'exerciseId', x.exercise_id, 'name', x.name, 'kind', 'holds',
    'legs', 'one', 'sharesRests', false, 'machineId', case when h.means = 'machine' then h.machine_id end,
    'machineName', case when h.means = 'machine' then m.name end,
    'sets', (select jsonb_agg(jsonb_build_object('role', 'work',
        'workS', h.reps * h.hold_s + (h.reps - 1) * h.rest_s, 'tensionS', h.reps * h.hold_s, 'restS', h.set_rest_s,
        'reps', null, 'holds', jsonb_build_object('reps', h.reps, 'holdS', h.hold_s, 'restS', h.rest_s),
        'loadShare', 1, 'reserve', null, 'loadKg', h.load_kg, 'how', h.setting) order by n)
      from generate_series(1, h.sets) as n),
    'fromDeg', h.knee_flexion_deg, 'toDeg', h.knee_flexion_deg,
    -- what was allowed then was not kept; today's limit counts when it is run
    'painMax', 10, 'setUp', '[]'::jsonb, 'drawing', null, 'checks', '[]'::jsonb, 'needsPins', false, 'lighter', '[]'::jsonb,
    'isHelp', false, 'aimForceN', h.shin_force_n, 'total', null, 'leastReserve', null, 'share', h.achieved_share,
    'basis', 'strength test',
    'feltAim', case when h.effort_kind = 'felt' then h.effort_value else round(h.felt_expected * 2) / 2 end,
    'kneecapChairS', 0, 'hardReps', 0),
  to_jsonb(h)
from hold_plan h
join machine m on m.id = h.machine_id
join (values ('machine', 'kext_iso_machine', 'Isometric knee extension at a fixed angle on the machine'),
    ('cuff', 'kext_ankle_weight', 'Seated knee extension with ankle weight'),
    ('strap', 'kext_iso_manual', 'Manual isometric knee extension')) as x(means, exercise_id, name) on x.means = h.means;

-- Sessions of earlier: a second sheet. Their figures were not kept: they are computed when a therapist saves them anew.
insert into sheet (id, clinic_id, episode_id, name, place, made_by, made_at)
select distinct on (s.episode_id) pg_temp.made_id('session ' || s.episode_id), s.clinic_id, s.episode_id, 'Gym', 'gym', s.made_by, s.made_at
from session_score s order by s.episode_id, s.version;

insert into sheet_version (id, clinic_id, sheet_id, version, origin, seconds, hard_reps, kneecap_chair_s, made_by, made_at)
select s.id, s.clinic_id, pg_temp.made_id('session ' || s.episode_id), s.version, 'desk', s.seconds, s.hard_reps,
  s.kneecap_chair_s, s.made_by, s.made_at
from session_score s;

insert into sheet_line (version_id, clinic_id, line_id, seq, exercise_id, scheme_kind, plan, kept, earlier)
select v.id, v.clinic_id, v.line_id, v.seq, v.line ->> 'exerciseId', v.line -> 'scheme' ->> 'kind',
  v.line || jsonb_build_object('lineId', v.line_id), null, v.line
from (
  select s.id, s.clinic_id, l.line, l.seq,
    -- the same exercise at the same place among its own kind is the same line in every version
    pg_temp.line_of(s.episode_id, (l.line ->> 'exerciseId') || ' ' ||
      row_number() over (partition by s.id, l.line ->> 'exerciseId' order by l.seq)) as line_id
  from session_score s, jsonb_array_elements(s.items) with ordinality as l(line, seq)) v;

insert into visit (id, clinic_id, episode_id, version_id, place, first_side, recheck_id, started_at, tablet_at, received_at, started_by)
select f.id, f.clinic_id, f.episode_id, f.plan_id, 'clinic', h.side, f.recheck_id, f.started_at,
  coalesce(f.tablet_at, f.started_at), f.received_at, f.started_by
from floor_session f join hold_plan h on h.id = f.plan_id;

insert into visit_end (visit_id, clinic_id, ended_at, tablet_at, received_at, pain_at_start, pain_at_end, stopped, signed_by)
select e.session_id, e.clinic_id, e.ended_at, coalesce(e.tablet_at, e.ended_at), e.received_at, e.pain_at_start,
  e.pain_at_end, e.stopped, e.ended_by
from floor_session_end e;

-- one record stands in a place; corrections keep naming what they correct
insert into set_record (id, clinic_id, visit_id, line_id, exercise_id, set_no, leg, bout_no, corrects, is_voided, started_at,
  tablet_at, worked_s, reps, load_kg, how, pain_before, pain, reserve, felt, early, mean_force_n, counted_by, logged_by,
  received_at)
select r.id, r.clinic_id, r.session_id, pg_temp.line_of(f.episode_id, 'hold'), l.exercise_id,
  (r.seq - 1) / h.reps + 1, h.side, (r.seq - 1) % h.reps + 1, r.corrects, r.is_voided, r.started_at,
  coalesce(r.tablet_at, r.started_at), r.held_s, null, h.load_kg, h.setting, r.pain_before, r.pain_after, null,
  -- felt effort was asked once, at the end: it belongs to the last hold that stands
  case when r.id = last.id then e.felt_effort end,
  r.early, r.mean_force_n, case when r.mean_force_n is null then 'clock' else 'cell' end, r.logged_by, r.received_at
from hold_record r
join floor_session f on f.id = r.session_id
join hold_plan h on h.id = f.plan_id
join sheet_line l on l.version_id = h.id
left join floor_session_end e on e.session_id = r.session_id
left join lateral (
  select x.id from hold_record x
  where x.session_id = r.session_id and not x.is_voided
    and not exists (select 1 from hold_record c where c.corrects = x.id)
  order by x.seq desc, x.received_at desc limit 1) last on true;

-- a session that was open is closed with what was logged: it had no log of its own to go on from
insert into visit_end (visit_id, clinic_id, ended_at, tablet_at, received_at, pain_at_start, pain_at_end, stopped, signed_by)
select v.id, v.clinic_id, v.started_at, v.started_at, v.received_at, null,
  (select r.pain from set_record r where r.visit_id = v.id order by r.started_at desc limit 1),
  'The session was open when records were carried over.', v.started_by
from visit v where not exists (select 1 from visit_end e where e.visit_id = v.id);

insert into response (id, clinic_id, visit_id, corrects, pain, swelling, stiffness_min, alarm, answered_by, answered_at, entered_by)
select m.id, m.clinic_id, m.session_id, m.corrects, m.pain, m.swelling, m.stiffness_min, null, 'staff', m.entered_at, m.entered_by
from morning_response m;

insert into line_decision (id, clinic_id, visit_id, line_id, input, computed_action, rules, reasons, changes, action,
  override_reason, banks, sentence, by_order_of, next_version_id, decided_at, decided_by)
select d.id, d.clinic_id, d.session_id, pg_temp.line_of(f.episode_id, 'hold'), d.input, d.computed_action, d.rules,
  d.reasons, '[]'::jsonb, d.action, d.override_reason, d.banks, d.sentence, null, d.next_plan_id, d.decided_at, d.decided_by
from decision d join floor_session f on f.id = d.session_id;

drop table decision, morning_response, floor_session_end, hold_record, floor_session, hold_plan, session_score;
alter table line_decision rename to decision;

-- templates keep lines as sheets plan them
alter table session_template rename to sheet_template;

do $$
declare t text;
begin
  foreach t in array array['sheet', 'sheet_version', 'sheet_line', 'visit', 'visit_event', 'visit_end', 'set_record',
    'response', 'decision']
  loop
    execute format('alter table %I enable row level security', t);
    execute format(
      'create policy own_clinic on %I using (clinic_id = current_clinic()) with check (clinic_id = current_clinic())', t);
    execute format('grant select, insert on %I to bexlo_app', t);
  end loop;
end $$;
grant update (name, retired_at, retired_by) on sheet to bexlo_app;
