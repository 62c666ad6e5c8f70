-- Lines of a session say their legs, their angle or window and what shares its rests; a saved session keeps what it does
-- to the kneecap joint, and a clinic keeps sessions under names.

-- lines of earlier versions: one or two sides, holds with a felt effort only
update session_score set items = (
  select jsonb_agg(
    (line - 'sides') || jsonb_build_object(
      'legs', case when (line->>'sides')::int = 1 then
          case when line->'scheme'->>'kind' in ('holds', 'stretch') then 'one' else 'together' end
        else case when line->'scheme'->>'kind' in ('holds', 'stretch') then 'one_after_other' else 'in_turns' end end,
      'window', null,
      'sharesRests', false,
      'scheme', case when line->'scheme'->>'kind' = 'holds'
        then ((line->'scheme') - 'feltEffort') || jsonb_build_object(
          'effort', jsonb_build_object('kind', 'felt', 'felt', line->'scheme'->'feltEffort'), 'atDeg', null)
        when line->'scheme'->>'kind' in ('climb', 'accumulated') then (line->'scheme') || '{"reserve": 1}'
        when line->'scheme'->>'kind' = 'drop' then (line->'scheme') || '{"reserve": 0}'
        else line->'scheme' end)
    order by at)
  from jsonb_array_elements(items) with ordinality as l(line, at));

-- seconds of a chair rise; null for sessions saved before this was kept
alter table session_score add column kneecap_chair_s numeric;

create table session_template (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  name text not null check (length(name) between 3 and 60),
  -- as in session_score
  items jsonb not null,
  made_by uuid not null references person,
  made_at timestamptz not null,
  retired_at timestamptz,
  retired_by uuid references person
);
-- one template of a name at a time
create unique index session_template_name on session_template (clinic_id, lower(name)) where retired_at is null;
alter table session_template enable row level security;
create policy own_clinic on session_template using (clinic_id = current_clinic()) with check (clinic_id = current_clinic());
grant select, insert on session_template to bexlo_app;
grant update (retired_at, retired_by) on session_template to bexlo_app;
