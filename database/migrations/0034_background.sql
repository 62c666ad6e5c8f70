-- Strength training before this episode (rule Background): it opens special sets to who has trained.
alter table episode add column background text check (background in ('new', 'away', 'trained'));
grant update (background) on episode to bexlo_app;
