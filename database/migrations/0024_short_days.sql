-- A planned day may be in the sheet's short form (rule W2), and a week may be kept above its guard with a therapist's reason (rule W1).
alter table block_day add column is_short boolean not null default false;
alter table block add column over_reason text;
