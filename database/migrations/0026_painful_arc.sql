-- Angles between which a knee hurts, in which way of moving and with what (rule K27). The value is the worst pain in the
-- arc; 0 says that it was looked for and not found, and has no angles.
alter table measurement drop constraint measurement_kind_check;
alter table measurement add constraint measurement_kind_check check (kind in ('knee_bend', 'knee_straightening',
  'hip_bend', 'quadriceps_lag', 'swelling', 'girth_mid_patella', 'girth_thigh', 'girth_calf', 'sit_to_stand_30s',
  'single_leg_balance', 'daily_pain', 'repetition_test', 'painful_arc'));
alter table measurement
  add column moved text check (moved in ('extension', 'flexion', 'closed')),
  add column from_deg int check (from_deg between 0 and 155),
  add column to_deg int check (to_deg between 5 and 160),
  add column load_kg numeric check (load_kg > 0 and load_kg <= 400),
  add constraint measurement_arc_check check (
    case when kind = 'painful_arc'
      then moved is not null and (value = 0) = (from_deg is null) and (from_deg is null) = (to_deg is null)
        and (from_deg is null or to_deg - from_deg >= 5)
      else moved is null and from_deg is null and to_deg is null and load_kg is null end);
