-- The journal is looked through in memory as the items and entries are: what is written of it is noted.
create trigger journal_entry_changes after insert on journal_entry for each row call 'org.sumbrel.server.changes.RowTrigger';
