-- A file comes in pieces, so that it can go on after a break: until all of it is here it is no draft.
alter table import add column is_here boolean not null default true;
grant update (is_here) on import to bexlo_app;
-- 2 GB in parts of 1 MB
alter table import_part drop constraint import_part_part_check;
alter table import_part add constraint import_part_part_check check (part between 1 and 2000);
