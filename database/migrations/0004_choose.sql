-- The clinic's machines of every kind with their calibrations, its own exercises, set-up cards and same-day swaps.
-- Calibrations, exercises and cards are append-only: the newest version counts, the earlier ones stay.

alter table machine
  drop constraint machine_family_check,
  add column place text not null default '',
  -- numbers of the family, SI and degrees, parsed by the core's schema
  add column geometry jsonb,
  -- setting -> [{ label, value }]
  add column notches jsonb not null default '{}',
  add column version int not null default 1,
  add column retired_at timestamptz;

-- what was one extension machine becomes one of many kinds
update machine set
  geometry = jsonb_build_object('ratioM', ratio_m, 'frictionShare', friction_share, 'startLoadKg', 0),
  notches = jsonb_build_object(
    'padM', jsonb_build_array(jsonb_build_object('label', (pad_distance_m * 100)::int || ' cm', 'value', pad_distance_m)),
    'backrestDeg', jsonb_build_array(jsonb_build_object('label', backrest_deg::int || '°', 'value', backrest_deg)),
    'endDeg', (select jsonb_agg(jsonb_build_object('label', d || '°', 'value', d) order by d)
      from generate_series(lower(usable_deg), 60, angle_notch_deg) d),
    'startDeg', (select jsonb_agg(jsonb_build_object('label', d || '°', 'value', d) order by d)
      from generate_series(60 + mod(upper(usable_deg) - 60, angle_notch_deg), upper(usable_deg), angle_notch_deg) d));

alter table machine
  alter column geometry set not null,
  drop column ratio_m,
  drop column pad_distance_m,
  drop column friction_share,
  drop column backrest_deg,
  drop column usable_deg,
  drop column angle_notch_deg;
alter table machine rename column set_up to note;

create table machine_calibration (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  machine_id uuid not null references machine,
  version int not null check (version >= 1),
  -- [{ kneeFlexionDeg, loadKg, forceN, leverM }]
  readings jsonb not null,
  ratio_m numeric not null check (ratio_m > 0),
  -- weight that the lever itself adds, as stack, kg
  start_load_kg numeric not null,
  cam jsonb not null,
  rms_nm numeric not null,
  worst_pct numeric not null,
  made_by uuid not null references person,
  made_at timestamptz not null,
  unique (machine_id, version)
);

create table clinic_exercise (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  exercise_id text not null,
  version int not null check (version >= 1),
  -- the whole record, parsed by the core's schema; null: back to the catalogue's own
  record jsonb,
  reason text not null,
  made_by uuid not null references person,
  made_at timestamptz not null,
  unique (clinic_id, exercise_id, version)
);

create table set_up_card (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  exercise_id text not null,
  version int not null check (version >= 1),
  machine_id uuid references machine,
  settings jsonb not null,
  load_kg numeric not null,
  load_how text not null,
  arc_deg numrange not null,
  axis_checked boolean not null,
  feet text not null default '',
  support text not null check (support in ('none', 'sleeve', 'brace', 'tight_wrap')),
  cues text[] not null default '{}',
  stop_signs text[] not null default '{}',
  note text not null default '',
  made_by uuid not null references person,
  made_at timestamptz not null,
  unique (episode_id, exercise_id, version)
);

create table exercise_swap (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  planned text not null,
  -- null: left out
  chosen text,
  why text not null,
  pain int check (pain between 0 and 10),
  reason text not null default '',
  changes text[] not null default '{}',
  made_by uuid not null references person,
  made_at timestamptz not null
);
create index on exercise_swap (episode_id, made_at);

do $$
declare t text;
begin
  foreach t in array array['machine_calibration', 'clinic_exercise', 'set_up_card', 'exercise_swap']
  loop
    execute format('alter table %I enable row level security', t);
    execute format(
      'create policy own_clinic on %I using (clinic_id = current_clinic()) with check (clinic_id = current_clinic())', t);
    execute format('grant select, insert on %I to bexlo_app', t);
  end loop;
end $$;
grant insert on machine to bexlo_app;
grant update (name, place, steps, geometry, cam, notches, note, version, retired_at) on machine to bexlo_app;
