-- What was worn in a set and what was held on to (rules Aid 1 and 2).
alter table set_record
  add column worn text not null default 'none' check (worn in ('none', 'sleeve', 'brace', 'tight_wrap')),
  add column help text not null default 'none' check (help in ('none', 'fingertips', 'one_hand', 'two_hands', 'strap'));
