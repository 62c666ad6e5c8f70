-- The page of changes reads what belongs to one client, newest first, from the index alone.
drop index audit_clinic_id_subject_id_idx;
create index audit_of_subject on audit (subject_id, id desc);
