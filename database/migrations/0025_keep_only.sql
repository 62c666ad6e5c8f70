-- Who has reached the goal keeps from the first week: a block may have no weeks of building (rule W5).
alter table block drop constraint block_build_weeks_check;
alter table block add constraint block_build_weeks_check
  check (build_weeks between 4 and 6 or build_weeks = 0);
