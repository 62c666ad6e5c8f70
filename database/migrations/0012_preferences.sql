-- What somebody signed in wants: single-letter keys and tones on or off, kg or lb, dates and numbers in their way.
alter table person
  add column keys_on boolean not null default true,
  add column sound_on boolean not null default true;
grant select (keys_on, sound_on), update (mass_unit, locale, keys_on, sound_on) on person to bexlo_app;
