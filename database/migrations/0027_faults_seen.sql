-- What was seen of a set (rule Seen 2): a list of faults, each with the repetition in which it began. Empty: clean, or nobody looked.
alter table set_record add column faults jsonb not null default '[]',
  add constraint set_record_faults_check check (jsonb_typeof(faults) = 'array' and jsonb_array_length(faults) <= 5);
