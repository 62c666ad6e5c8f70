-- Movements that bring the pain on, and how they were before and after a visit (rules Marker 1 and 2).
alter table episode add column markers jsonb not null default '[]',
  add constraint episode_markers_check check (jsonb_typeof(markers) = 'array' and jsonb_array_length(markers) <= 3);
grant update (markers) on episode to bexlo_app;
alter table visit_end add column markers jsonb not null default '[]',
  add constraint visit_end_markers_check check (jsonb_typeof(markers) = 'array' and jsonb_array_length(markers) <= 8);
