-- What is counted, timed and reached besides the joint's own motion, with what a value needs beside it: the step's height,
-- how many steps, the machine on which it was seen, or the name, unit, direction and error of a test of one's own.
alter table measurement drop constraint measurement_kind_check;
alter table measurement add constraint measurement_kind_check check (kind in (
  'knee_bend', 'knee_straightening', 'hip_bend', 'quadriceps_lag', 'straight_leg_raise', 'knee_to_wall',
  'heel_to_buttock', 'toe_touch', 'pelvis_rolls', 'swelling', 'girth_mid_patella', 'girth_thigh', 'girth_calf',
  'body_mass', 'sit_to_stand_30s', 'five_rises', 'up_and_go', 'walk_10m', 'walk_2min', 'walk_6min', 'stairs_time',
  'floor_rise', 'daily_pain', 'heel_raises', 'step_downs_30s', 'single_leg_balance', 'front_hold', 'side_hold',
  'back_hold', 'standing_reach', 'hop_distance', 'repetition_test', 'painful_arc', 'free_test'));
alter table measurement
  add column step_m numeric check (step_m between 0.05 and 0.6),
  add column steps int check (steps between 1 and 100),
  add column machine_id uuid references machine,
  add column test_name text check (length(test_name) between 1 and 60),
  add column test_unit text check (length(test_unit) <= 16),
  add column test_better text check (test_better in ('up', 'down')),
  add column test_error numeric check (test_error between 0 and 10000),
  add constraint measurement_beside_check check (
    (kind = 'step_downs_30s') = (step_m is not null)
    and (kind = 'stairs_time') = (steps is not null)
    and (kind = 'pelvis_rolls') = (machine_id is not null)
    and (kind = 'free_test') = (test_name is not null)
    and (test_name is null) = (test_unit is null) and (test_name is null) = (test_better is null)
    and (test_error is null or test_name is not null));

-- Body mass is a measurement with a date: the newest wins, that of the story when it was written later. No date: the story's
-- stands from before all others.
alter table client add column body_mass_at timestamptz;
grant update (body_mass_at) on client to bexlo_app;
create function body_mass_of(c client) returns numeric language sql stable as $$
  select coalesce(
    (select m.value from measurement m join episode e on e.id = m.episode_id
      where e.client_id = c.id and m.kind = 'body_mass' and m.voided_at is null
        and (c.body_mass_at is null or m.taken_at >= c.body_mass_at)
      order by m.taken_at desc, m.id limit 1),
    c.body_mass_kg)
$$;
create index on measurement (episode_id, taken_at) where kind = 'body_mass' and voided_at is null;
