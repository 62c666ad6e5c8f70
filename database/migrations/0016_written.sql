-- What was written under an id that a device made: the same again is one, something else under it is refused.
create table written (
  clinic_id uuid not null references clinic,
  id uuid not null,
  deed text not null,
  -- the episode or client it is about; empty for the clinic itself
  about text not null,
  -- sha-256 of what was sent, its keys in order
  content bytea not null,
  -- short values of it, to say what stands
  said jsonb not null,
  by uuid not null references person,
  at timestamptz not null,
  primary key (clinic_id, id)
);
alter table written enable row level security;
create policy own_clinic on written using (clinic_id = current_clinic()) with check (clinic_id = current_clinic());
grant select, insert on written to bexlo_app;
