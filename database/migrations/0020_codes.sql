-- A tick is kept under the id of its criterion, so that its text may be written anew. What no criterion says stays as it is.
with says (words, id) as (values
  ('sit-to-stand from 50 cm x5 without worse pain', 'sit_to_stand_from_50_cm_x5_without_worse_pain'),
  ('30-second chair stand at or above age norm', '30_second_chair_stand_at_or_above_age_norm'),
  ('stairs with rail, pain <=3/10', 'stairs_with_rail_pain_most_3_10'),
  ('goal capacity reached (goals.json)', 'goal_capacity_reached'),
  ('8 step-downs from 10 cm at pain <=2/10', '8_step_downs_from_10_cm_at_pain_most_2_10'),
  ('10 step-downs from 15 cm at pain <=2/10', '10_step_downs_from_15_cm_at_pain_most_2_10'),
  ('10 single-leg squats to 60 deg, pain <=2/10', '10_single_leg_squats_to_60_deg_pain_most_2_10'),
  ('30 min run-walk at pain <=2/10', '30_min_run_walk_at_pain_most_2_10'),
  ('single-leg decline squat pain <=5/10', 'single_leg_decline_squat_pain_most_5_10'),
  ('single-leg press 6RM within 10 % of other side', 'single_leg_press_6rm_within_10_of_other_side'),
  ('jump sets with pain <=3/10 and settled in 24 h', 'jump_sets_with_pain_most_3_10_and_settled_in_24_h'),
  ('full training for 2-4 weeks without rise in test pain', 'full_training_for_2_4_weeks_without_rise_in_test_pain'),
  ('walk without limp with crutches as needed', 'walk_without_limp_with_crutches_as_needed'),
  ('normal walking without crutches', 'normal_walking_without_crutches'),
  ('straight-leg raise without lag x10', 'straight_leg_raise_without_lag_x10'),
  ('10 single-leg press repetitions with 2 in reserve', '10_single_leg_press_repetitions_with_2_in_reserve'),
  ('step-up 20 cm without limp', 'step_up_20_cm_without_limp'),
  ('three-direction balance reach within 8 cm of other side', 'three_direction_balance_reach_within_8_cm_of_other_side'),
  ('single-leg squat x10 to 60 deg controlled', 'single_leg_squat_x10_to_60_deg_controlled'),
  ('30 min brisk walk without reaction', '30_min_brisk_walk_without_reaction'),
  ('hop tests >=90 %', 'hop_tests_least_90'),
  ('landing without knee falling in', 'landing_without_knee_falling_in'),
  ('psychological readiness score agreed with therapist', 'psychological_readiness_score_agreed_with_therapist'),
  ('sport-specific drills symptom-free', 'sport_specific_drills_symptom_free'),
  ('walk without limp', 'walk_without_limp'),
  ('no giving way in daily life', 'no_giving_way_in_daily_life'),
  ('single-leg hop for distance tried with control', 'single_leg_hop_for_distance_tried_with_control'),
  ('no giving way for 3 months in chosen activity', 'no_giving_way_for_3_months_in_chosen_activity'),
  ('straight-leg raise without lag', 'straight_leg_raise_without_lag'),
  ('walk without aids', 'walk_without_aids'),
  ('10 single-leg presses with 2 in reserve', '10_single_leg_presses_with_2_in_reserve'),
  ('single-leg squat x10', 'single_leg_squat_x10'),
  ('no limp', 'no_limp'),
  ('single-leg press x10', 'single_leg_press_x10'),
  ('hop >=90 %', 'hop_least_90'),
  ('walk without limp with brace', 'walk_without_limp_with_brace'),
  ('inward stress test not worse (licensed tester)', 'inward_stress_test_not_worse_licensed_tester'),
  ('single-leg squat x10 without inward drift', 'single_leg_squat_x10_without_inward_drift'),
  ('hop and cut drills symptom-free', 'hop_and_cut_drills_symptom_free'),
  ('walk 50 m with aid', 'walk_50_m_with_aid'),
  ('stand up x5 without hands', 'stand_up_x5_without_hands'),
  ('30-second chair stand >=10', '30_second_chair_stand_least_10'),
  ('stairs with rail', 'stairs_with_rail'),
  ('goal capacity reached', 'goal_capacity_reached'),
  ('walk with aid', 'walk_with_aid'),
  ('stairs alternating with rail', 'stairs_alternating_with_rail'),
  ('surgeon confirms union or progression', 'surgeon_confirms_union_or_progression'),
  ('walk without limp or aid', 'walk_without_limp_or_aid'),
  ('30 min walk, stairs alternating', '30_min_walk_stairs_alternating'),
  ('sit-to-stand from 50 cm x5 at pain <=3/10', 'sit_to_stand_from_50_cm_x5_at_pain_most_3_10'),
  ('30-second chair stand at age norm', '30_second_chair_stand_at_age_norm'),
  ('hip abductor strength within 15 % of other side', 'hip_abductor_strength_within_15_of_other_side'),
  ('walk 100 m with one aid or none', 'walk_100_m_with_one_aid_or_none'),
  ('stand up from raised seat x5', 'stand_up_from_raised_seat_x5'),
  ('walk without limp (no pelvis drop)', 'walk_without_limp_no_pelvis_drop'),
  ('single-leg stance 10 s level', 'single_leg_stance_10_s_level'),
  ('abductor strength within 10 %', 'abductor_strength_within_10'),
  ('sit 20 min', 'sit_20_min'),
  ('put on socks with hip hinge', 'put_on_socks_with_hip_hinge'),
  ('no new nerve sign', 'no_new_nerve_sign'),
  ('hinge to mid-shin with flat back x10', 'hinge_to_mid_shin_with_flat_back_x10'),
  ('sit 45 min', 'sit_45_min'),
  ('bend x10 without symptoms', 'bend_x10_without_symptoms'),
  ('60 s prone trunk extension hold', '60_s_prone_trunk_extension_hold'),
  ('walk 5 min more than at start', 'walk_5_min_more_than_at_start'),
  ('walk 15 min', 'walk_15_min'),
  ('sit-to-stand x10 in 30 s', 'sit_to_stand_x10_in_30_s'),
  ('sit and stand freely', 'sit_and_stand_freely'),
  ('hinge with 10 kg x10', 'hinge_with_10_kg_x10'),
  ('3 sessions a week for 2 weeks without a setback day', '3_sessions_a_week_for_2_weeks_without_a_setback_day'),
  ('5x sit-to-stand improving', '5x_sit_to_stand_improving'),
  ('6-min walk >=400 m', '6_min_walk_least_400_m'))
update episode_condition c set functional_met = (
  select coalesce(array_agg(coalesce(s.id, w.words) order by w.at), '{}')
  from unnest(c.functional_met) with ordinality as w (words, at) left join says s on s.words = w.words)
where c.functional_met <> '{}';

-- Warning signs of the short list, of a session and of a morning.
create function pg_temp.signs(kept text) returns text language sql immutable as $$
  select replace(replace(replace(replace(replace(replace(replace(kept, 'a fall, fever, illness, new medicine or surgery date, pregnancy', 'change'), 'more swelling, warmth or redness than last time', 'swelling'), 'calf pain or swelling, chest discomfort, unusual breathlessness', 'calf_chest'), 'giving way, locking, catching or a pop', 'giving_way'), 'new numbness or weakness, pain further down, bladder or bowel change', 'nerve'), 'dizzy, headache or unwell', 'unwell'), 'wound not dry or closed, brace or weight-bearing order changed', 'wound')
$$;
update recheck set what = pg_temp.signs(what) where not is_clear;
update response set alarm = pg_temp.signs(alarm) where alarm is not null;

-- Why a visit was stopped. What ended its lines is no reason that somebody chose: it stays as it was said.
update visit_end e set stopped = s.id
from (values
  ('Joint pain above the phase limit', 'st_pain'),
  ('Sudden sharp pain or pain jump of 3 points or more', 'st_pain_jump'),
  ('Pop, gap, giving way, locking', 'st_pop'),
  ('Visible swelling rise during the session', 'st_swelling'),
  ('New tingling, numbness, weakness or leg spread', 'st_neuro'),
  ('Chest pain, pressure, jaw or arm pain, severe breathlessness', 'st_chest'),
  ('Dizzy, pale, cold sweat, blurred vision', 'st_faint'),
  ('Breath holding that two prompts did not correct', 'st_breath'),
  ('Cuff straight after a set above 220 or 110', 'st_bp'),
  ('Oxygen saturation below 90 %, or 4 points down', 'st_spo2'),
  ('New calf pain with swelling or warmth', 'st_calf'),
  ('Technique lost on 2 repetitions in a row after a cue', 'st_form'),
  ('Toes numb, cold or discoloured under a wrap', 'st_wrap'),
  ('Pad, stop, pin or strap moves or slips', 'st_equipment'),
  ('Client asks to stop', 'st_client'),
  ('No time left', 'time'),
  ('Stopped by the client: it hurt', 'client_hurt'),
  ('Stopped by the client: felt unwell', 'client_unwell'),
  ('Stopped by the client: the knee gave way or locked', 'client_gave_way')) s (words, id)
where e.stopped = s.words;

-- The client's own pages and papers, in a language that the client chooses.
alter table client add column language text not null default 'en' check (language in ('en', 'de'));
grant update (language) on client to bexlo_app;
