-- Joint pain in a push of a strength test; null where nobody asked.
alter table strength_trial add column pain int check (pain between 0 and 10);
