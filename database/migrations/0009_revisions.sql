-- Where a client stands today is worked out from a dozen tables. A number that rises with every change of an episode, or
-- of what the clinic shares, lets a list of all clients work out anew only those that changed.

create table revision (
  -- an episode, or the clinic for what its clients share
  of uuid primary key,
  clinic_id uuid not null references clinic,
  revision bigint not null
);
create sequence revision_seq;
alter table revision enable row level security;
create policy own_clinic on revision using (clinic_id = current_clinic()) with check (clinic_id = current_clinic());
grant select on revision to bexlo_app;

-- the argument is the query that finds what has changed: id of episode or clinic, and the clinic
create function touch() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
begin
  execute 'insert into revision (of, clinic_id, revision)
    select of, clinic_id, nextval(''revision_seq'') from (select distinct of, clinic_id from ('
    || tg_argv[0] || ') x where of is not null order by of) y
    on conflict (of) do update set revision = excluded.revision';
  return null;
end $$;

do $$
declare
  t record;
  deed text;
  own constant text := 'select episode_id as of, clinic_id from changed';
  clinics constant text := 'select clinic_id as of, clinic_id from changed';
begin
  for t in select * from (values
    ('episode', 'select id as of, clinic_id from changed'),
    ('client', 'select e.id as of, e.clinic_id from changed c join episode e on e.client_id = c.id'),
    ('episode_condition', own), ('episode_limit', own), ('measurement', own), ('recheck', own), ('screening', own),
    ('set_up_card', own), ('sheet', own), ('strength_test', own), ('visit', own),
    ('stance_choice', 'select coalesce(episode_id, clinic_id) as of, clinic_id from changed'),
    ('screening_answer', 'select s.episode_id as of, s.clinic_id from changed c join screening s on s.id = c.screening_id'),
    ('screening_clearance', 'select s.episode_id as of, s.clinic_id from changed c join screening s on s.id = c.screening_id'),
    ('strength_trial', 'select s.episode_id as of, s.clinic_id from changed c join strength_test s on s.id = c.test_id'),
    ('sheet_version', 'select s.episode_id as of, s.clinic_id from changed c join sheet s on s.id = c.sheet_id'),
    ('sheet_line', 'select s.episode_id as of, s.clinic_id from changed c join sheet_version v on v.id = c.version_id join sheet s on s.id = v.sheet_id'),
    ('visit_end', 'select v.episode_id as of, v.clinic_id from changed c join visit v on v.id = c.visit_id'),
    ('set_record', 'select v.episode_id as of, v.clinic_id from changed c join visit v on v.id = c.visit_id'),
    ('response', 'select v.episode_id as of, v.clinic_id from changed c join visit v on v.id = c.visit_id'),
    ('decision', 'select v.episode_id as of, v.clinic_id from changed c join visit v on v.id = c.visit_id'),
    ('clinic', 'select id as of, id as clinic_id from changed'),
    ('person', clinics), ('machine', clinics), ('machine_calibration', clinics), ('cuff', clinics),
    ('clinic_exercise', clinics), ('source_check', clinics)) as x(name, what)
  loop
    foreach deed in array array['insert', 'update', 'delete'] loop
      execute format('create trigger touch_%s after %s on %I referencing %s table as changed for each statement
        execute function touch(%L)', deed, deed, t.name, case deed when 'delete' then 'old' else 'new' end, t.what);
    end loop;
  end loop;
end $$;
