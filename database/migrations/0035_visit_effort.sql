-- How hard the whole visit was, 0 to 10 (rule Visit's effort); null: not said.
alter table visit_end add column effort int check (effort between 0 and 10);
