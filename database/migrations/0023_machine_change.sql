-- A machine was changed on (a cable, a pulley, a lever): what was learnt on it before stands for an earlier machine (rule L1).
create table machine_change (
  id uuid primary key,
  clinic_id uuid not null references clinic,
  machine_id uuid not null references machine,
  changed_on date not null,
  what text not null,
  made_by uuid not null references person,
  made_at timestamptz not null
);
create index on machine_change (machine_id);
alter table machine_change enable row level security;
create policy own_clinic on machine_change using (clinic_id = current_clinic()) with check (clinic_id = current_clinic());
grant select, insert on machine_change to bexlo_app;
create trigger touch_insert after insert on machine_change referencing new table as changed for each statement
  execute function touch('select clinic_id as of, clinic_id from changed');
