-- Regions that are followed beside the joint, and pain in them or in any other during a set and the morning after (rules Region 1 to 4).
alter table episode add column regions jsonb not null default '[]',
  add constraint episode_regions_check check (jsonb_typeof(regions) = 'array' and jsonb_array_length(regions) <= 2);
grant update (regions) on episode to bexlo_app;
alter table set_record add column elsewhere jsonb not null default '[]',
  add constraint set_record_elsewhere_check check (jsonb_typeof(elsewhere) = 'array' and jsonb_array_length(elsewhere) <= 4);
alter table response add column regions jsonb not null default '[]',
  add constraint response_regions_check check (jsonb_typeof(regions) = 'array' and jsonb_array_length(regions) <= 4);
