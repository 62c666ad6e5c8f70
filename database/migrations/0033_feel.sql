-- Where a line was felt and how sure somebody was of it (rules Feel 1 to 3).
alter table visit_end add column feels jsonb not null default '[]',
  add constraint visit_end_feels_check check (jsonb_typeof(feels) = 'array' and jsonb_array_length(feels) <= 60);
