-- Out and in: a clinic's letterhead for paper, files that were read in as drafts, confirmed, undone.

alter table clinic
  add column address text not null default '' check (length(address) <= 300),
  add column contact text not null default '' check (length(contact) <= 200),
  add column paper text not null default 'A4' check (paper in ('A4', 'LETTER'));
grant update (address, contact, paper) on clinic to bexlo_app;

-- "past": somebody who is named in what another clinic's file brought along; never signs in
alter table person drop constraint person_role_check;
alter table person add constraint person_role_check check (role in ('therapist', 'trainer', 'admin', 'client', 'past'));
create function past_person(person_id uuid, called text) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
begin
  insert into person (id, clinic_id, email, name, role, password_hash)
    values (person_id, current_clinic(), person_id || '@past.invalid', left(called, 120), 'past', 'none')
    on conflict (id) do nothing;
end $$;
revoke all on function past_person(uuid, text) from public;
grant execute on function past_person(uuid, text) to bexlo_app;
grant insert on cuff to bexlo_app;

-- a warning that came with a morning names its visit, and a visit its re-check: read in together
alter table recheck alter constraint recheck_visit_id_fkey deferrable initially immediate;

-- A file as it was sent. Nothing of it is in force before a therapist has confirmed it.
create table import (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  kind text not null check (kind in ('client', 'clinic', 'machines', 'fhir', 'csv_clients', 'csv_machines', 'csv_tests', 'csv_visits')),
  file_name text not null check (length(file_name) between 1 and 200),
  bytes bigint not null check (bytes >= 0),
  -- what stands in which column, and what a person chose; parsed by the core's schema
  mapping jsonb not null,
  made_by uuid not null references person,
  made_at timestamptz not null,
  confirmed_by uuid references person,
  confirmed_at timestamptz,
  summary jsonb,
  undone_by uuid references person,
  undone_at timestamptz,
  check ((confirmed_by is null) = (confirmed_at is null)),
  check ((undone_by is null) = (undone_at is null))
);
create index on import (clinic_id, made_at);
create table import_part (
  import_id uuid not null references import,
  clinic_id uuid not null references clinic,
  part int not null check (part between 1 and 400),
  content bytea not null check (length(content) <= 1048576),
  primary key (import_id, part)
);
-- which rows came from it, so that all of it can be taken back
create table import_rows (
  import_id uuid not null references import,
  clinic_id uuid not null references clinic,
  seq int not null,
  table_name text not null,
  key_column text not null,
  ids uuid[] not null,
  primary key (import_id, seq)
);
do $$
declare t text;
begin
  foreach t in array array['import', 'import_part', 'import_rows'] loop
    execute format('alter table %I enable row level security', t);
    execute format(
      'create policy own_clinic on %I using (clinic_id = current_clinic()) with check (clinic_id = current_clinic())', t);
    execute format('grant select, insert on %I to bexlo_app', t);
  end loop;
end $$;
grant update (bytes, mapping, confirmed_by, confirmed_at, summary, undone_by, undone_at) on import to bexlo_app;
-- a file that was thrown away or taken back is not kept
grant delete on import_part to bexlo_app;

-- Takes all rows of a confirmed import back, the last first. Refuses where somebody has worked with them since: those
-- rows name rows of the import, and a foreign key holds them; what changed is in the record.
create function undo_import(which uuid) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare r record;
begin
  if not exists (select 1 from import where id = which and clinic_id = current_clinic()
      and confirmed_at is not null and undone_at is null) then
    raise exception 'no such import' using errcode = '23503';
  end if;
  if exists (select 1 from audit a, import i, import_rows w where i.id = which and w.import_id = which
      and a.clinic_id = current_clinic() and a.at > i.confirmed_at and a.subject_id = any(w.ids)) then
    raise exception 'worked with since' using errcode = '23503';
  end if;
  set constraints all deferred;
  for r in select table_name, key_column, ids from import_rows where import_id = which and clinic_id = current_clinic()
      order by seq desc loop
    execute format('delete from %I where clinic_id = $1 and %I = any($2)', r.table_name, r.key_column)
      using current_clinic(), r.ids;
  end loop;
  set constraints all immediate;
end $$;
revoke all on function undo_import(uuid) from public;
grant execute on function undo_import(uuid) to bexlo_app;
