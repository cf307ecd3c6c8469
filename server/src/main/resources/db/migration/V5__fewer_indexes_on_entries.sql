-- A hundred thousand entries arrive at once, and each pays for every index. The database keeps one of its own for each
-- foreign key and shares it with no longer index, so those go that hold nothing another does not: the company is
-- that of the bank account, and intakes are never deleted (what is taken back keeps its row).

execute immediate 'alter table bank_entry drop constraint ' || (select k.constraint_name from information_schema.key_column_usage k
  join information_schema.referential_constraints r on r.constraint_name = k.constraint_name
  where k.table_name = 'BANK_ENTRY' and k.column_name = 'COMPANY_ID');
execute immediate 'alter table bank_entry drop constraint ' || (select k.constraint_name from information_schema.key_column_usage k
  join information_schema.referential_constraints r on r.constraint_name = k.constraint_name
  where k.table_name = 'BANK_ENTRY' and k.column_name = 'INTAKE_ID');
execute immediate 'alter table bank_entry drop constraint ' || (select k.constraint_name from information_schema.key_column_usage k
  join information_schema.referential_constraints r on r.constraint_name = k.constraint_name
  where k.table_name = 'BANK_ENTRY' and k.column_name = 'ANNOUNCED_INTAKE_ID');
-- here the entry says which account, and its foreign key has the index that was made once more
execute immediate 'alter table bank_entry_key drop constraint ' || (select k.constraint_name from information_schema.key_column_usage k
  join information_schema.referential_constraints r on r.constraint_name = k.constraint_name
  where k.table_name = 'BANK_ENTRY_KEY' and k.column_name = 'BANK_ACCOUNT_ID');
drop index bank_entry_key_by_entry;
