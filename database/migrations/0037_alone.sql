-- Whether a client trains with nobody near (rule Alone): what could come down on them is then ranked behind.
alter table episode add column is_alone boolean;
grant update (is_alone) on episode to bexlo_app;
