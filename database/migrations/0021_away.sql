-- Why somebody was away, and of those days how many in bed, ill or in a brace: strength is lost faster then (rules L5, P8).
alter table return_choice
  add column away_because text not null default 'other'
    check (away_because in ('busy', 'travel', 'ill', 'bed', 'brace', 'sore', 'other')),
  add column bed_days int not null default 0 check (bed_days >= 0),
  add constraint return_choice_bed_days check (bed_days <= days_off);
