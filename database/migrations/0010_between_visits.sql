-- What happens between visits: the client's own answers by a link without an account, and requests from trainers.

-- What a client answers or does is written by a person of the clinic who stands for its clients and can never sign in.
alter table person drop constraint person_role_check;
alter table person add constraint person_role_check check (role in ('therapist', 'trainer', 'admin', 'client'));

-- signs the links of a clinic; read by the function below and by nobody else
create table link_key (
  clinic_id uuid primary key references clinic,
  key bytea not null
);
alter table link_key enable row level security;
create policy own_clinic on link_key using (clinic_id = current_clinic()) with check (clinic_id = current_clinic());

create function equip_clinic() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
begin
  insert into link_key (clinic_id, key)
    values (new.id, decode(replace(gen_random_uuid()::text || gen_random_uuid()::text, '-', ''), 'hex'));
  insert into person (id, clinic_id, email, name, role, password_hash)
    values (gen_random_uuid(), new.id, 'client@' || new.id || '.invalid', 'the client', 'client', 'none');
  return null;
end $$;
create trigger equip_clinic after insert on clinic for each row execute function equip_clinic();
insert into link_key (clinic_id, key)
  select id, decode(replace(gen_random_uuid()::text || gen_random_uuid()::text, '-', ''), 'hex') from clinic;
insert into person (id, clinic_id, email, name, role, password_hash)
  select gen_random_uuid(), id, 'client@' || id || '.invalid', 'the client', 'client', 'none' from clinic;

-- A link for one purpose: the morning after a visit, or a sheet at home. Also what the outbox shows: when it is sent.
create table client_link (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  purpose text not null check (purpose in ('morning', 'home')),
  visit_id uuid references visit,
  sheet_id uuid references sheet,
  sends_at timestamptz not null,
  expires_at timestamptz not null check (expires_at > sends_at),
  made_at timestamptz not null,
  made_by uuid not null references person,
  revoked_at timestamptz,
  check ((purpose = 'morning') = (visit_id is not null) and (purpose = 'home') = (sheet_id is not null))
);
create unique index on client_link (visit_id) where revoked_at is null;
create index on client_link (episode_id, sends_at);

-- how the client said it; the grade beside it is worked out from this and the grade before
alter table response add column swelling_word text check (swelling_word in ('less', 'same', 'more'));
-- warning signs that came with a morning stop the floor until a therapist has cleared them
alter table recheck add column visit_id uuid references visit;

-- A trainer asks for what is beyond a trainer's scope; a therapist allows or refuses.
create table request (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  -- what it is about: a line of a sheet, a whole sheet, or the client
  sheet_id uuid references sheet,
  line_id uuid,
  kind text not null check (kind in ('heavier', 'wider', 'other_exercise', 'more_pain', 'go_on', 'other')),
  words text not null check (length(words) between 3 and 500),
  asked_by uuid not null references person,
  asked_at timestamptz not null,
  is_allowed boolean,
  answer text check (length(answer) <= 500),
  answered_by uuid references person,
  answered_at timestamptz,
  check ((is_allowed is null) = (answered_at is null) and (answered_at is null) = (answered_by is null))
);
create index on request (episode_id, asked_at);

-- Which days: a block of weeks for all sheets of an episode, never edited in place; the newest is in force.
create table block (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  starts_on date not null check (extract(isodow from starts_on) = 1),
  build_weeks int not null check (build_weeks between 4 and 6),
  keep_weeks int not null check (keep_weeks between 0 and 8),
  -- by sheet: days a week while building and while keeping, and the usual hour; parsed by the core's schema
  wishes jsonb not null,
  minutes int[] not null check (cardinality(minutes) = 7),
  gym boolean[] not null check (cardinality(gym) = 7),
  away date[] not null,
  made_by uuid not null references person,
  made_at timestamptz not null
);
create index on block (episode_id, made_at);
create table block_day (
  block_id uuid not null references block,
  clinic_id uuid not null references clinic,
  sheet_id uuid not null references sheet,
  on_day date not null,
  at_time time,
  is_pinned boolean not null,
  primary key (block_id, sheet_id, on_day)
);
alter table block_day enable row level security;
create policy own_clinic on block_day using (clinic_id = current_clinic()) with check (clinic_id = current_clinic());
grant select, insert on block_day to bexlo_app;

-- What was proposed after days off, and what somebody made of it.
create table return_choice (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  episode_id uuid not null references episode,
  -- the visit after which nothing was done
  visit_id uuid not null references visit unique,
  days_off int not null check (days_off >= 0),
  proposed text not null check (proposed in ('same', 'step_back', 'start_again')),
  chosen text not null check (chosen in ('same', 'step_back', 'start_again')),
  reason text check (length(reason) <= 300),
  chosen_by uuid not null references person,
  chosen_at timestamptz not null,
  check (chosen = proposed or reason is not null)
);

do $$
declare t text;
begin
  foreach t in array array['client_link', 'request', 'block', 'return_choice'] loop
    execute format('alter table %I enable row level security', t);
    execute format(
      'create policy own_clinic on %I using (clinic_id = current_clinic()) with check (clinic_id = current_clinic())', t);
    execute format('grant select, insert on %I to bexlo_app', t);
    execute format('create trigger touch_insert after insert on %I referencing new table as changed for each statement
      execute function touch(''select episode_id as of, clinic_id from changed'')', t);
    execute format('create trigger touch_update after update on %I referencing new table as changed for each statement
      execute function touch(''select episode_id as of, clinic_id from changed'')', t);
  end loop;
end $$;
grant update (revoked_at) on client_link to bexlo_app;
grant update (is_allowed, answer, answered_by, answered_at) on request to bexlo_app;

-- Nobody is signed in behind a link: it is found by a function of the owner, which gives the clinic's key to check it by.
create function link_find(wanted uuid)
  returns table (clinic_id uuid, key bytea, episode_id uuid, purpose text, visit_id uuid, sheet_id uuid,
                 expires_at timestamptz, is_revoked boolean, person_id uuid, clinic_name text, time_zone text)
  language sql security definer set search_path = public, pg_temp
  as $$
    select l.clinic_id, k.key, l.episode_id, l.purpose, l.visit_id, l.sheet_id, l.expires_at,
      l.revoked_at is not null, p.id, c.name, c.time_zone
    from client_link l join link_key k on k.clinic_id = l.clinic_id join clinic c on c.id = l.clinic_id
    join person p on p.clinic_id = l.clinic_id and p.role = 'client'
    where l.id = wanted
  $$;
-- the key of the clinic that is worked in, to write its links
create function link_key_own() returns bytea
  language sql security definer set search_path = public, pg_temp
  as $$ select key from link_key where clinic_id = current_clinic() $$;
do $$
declare f text;
begin
  foreach f in array array['link_find(uuid)', 'link_key_own()', 'touch()', 'equip_clinic()'] loop
    execute format('revoke execute on function %s from public', f);
  end loop;
end $$;
grant execute on function link_find(uuid), link_key_own() to bexlo_app;
