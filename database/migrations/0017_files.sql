-- A visit from a file says nothing of warning signs that day: nobody here asked.
alter table visit alter recheck_id drop not null;

-- Taking a client out, or making a paper, changes nothing: what a file brought can still be taken back.
create or replace function undo_import(which uuid) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare r record;
begin
  if not exists (select 1 from import where id = which and clinic_id = current_clinic()
      and confirmed_at is not null and undone_at is null) then
    raise exception 'no such import' using errcode = '23503';
  end if;
  if exists (select 1 from audit a, import i, import_rows w where i.id = which and w.import_id = which
      and a.clinic_id = current_clinic() and a.at > i.confirmed_at and a.subject_id = any(w.ids)
      and a.deed not in ('export.client', 'export.clinic', 'paper.make')) then
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
