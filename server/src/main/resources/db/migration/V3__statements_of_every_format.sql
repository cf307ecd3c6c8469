-- Statements of every format: what they cover, entries known by the ids of several formats, announced
-- entries, what the file says of an entry beside its text, corrections.

update bank_entry set entry_key =
  (select case when i.format = 'ofx' then 'ofx:' else 'csv:' end from intake i where i.id = bank_entry.intake_id) || entry_key;
alter table bank_entry alter column entry_key set data type varchar(320);
alter table bank_entry alter column remittance set data type varchar(100000);
alter table bank_entry add column bank_text varchar(500) default '' not null;
alter table bank_entry add column told varchar(1000000) default '' not null;
-- sums by intake are read from the index alone
drop index bank_entry_by_intake;
create index bank_entry_by_intake on bank_entry (intake_id, status, currency, amount_minor);
create index bank_entry_by_day on bank_entry (bank_account_id, booked_on);

-- what another format calls an entry that is known already
create table bank_entry_key (
  bank_account_id bigint not null references bank_account,
  entry_key varchar(320) not null,
  entry_id bigint not null references bank_entry,
  primary key (bank_account_id, entry_key)
);
create index bank_entry_key_by_entry on bank_entry_key (entry_id);

alter table statement add column format varchar(40) default '' not null;
alter table statement add column number varchar(100) default '' not null;
alter table statement add column sequence_no int;
alter table statement add column from_on date;
alter table statement add column until_on date;
alter table statement add column days_said boolean default false not null;
alter table statement add column whole boolean default false not null;
alter table statement add column opening_on date;
alter table statement add column opening_minor bigint;
update statement set format = (select i.format from intake i where i.id = statement.intake_id);
update statement set until_on = closing_on;
create index statement_by_account on statement (bank_account_id, until_on);

create sequence correction_seq start with 1 increment by 50;
create table correction (
  id bigint primary key,
  company_id bigint not null references company,
  bank_account_id bigint not null references bank_account,
  intake_id bigint not null references intake,
  entry_id bigint not null references bank_entry,
  kind varchar(20) not null,
  currency varchar(3) not null,
  old_booked_on date not null,
  old_minor bigint not null,
  new_booked_on date,
  new_minor bigint,
  status varchar(20) not null,
  decided_by varchar(100),
  decided_at timestamp with time zone,
  version bigint not null
);
create index correction_by_company on correction (company_id, status, id);
create index correction_by_entry on correction (entry_id);
