-- What went out to the general ledger: each journal entry is part of one export at most.
create sequence journal_export_seq start with 1 increment by 1;

create table journal_export (
  id bigint primary key,
  company_id bigint not null references company,
  until_on date not null,
  first_on date not null,
  last_on date not null,
  entries int not null,
  made_by varchar(100) not null,
  made_at timestamp with time zone not null
);
create index journal_export_by_company on journal_export (company_id, id);

create table journal_export_entry (
  journal_entry_id bigint primary key references journal_entry,
  export_id bigint not null references journal_export
);
create index journal_export_entry_by_export on journal_export_entry (export_id, journal_entry_id);

-- Each time that somebody took a file of an export.
create sequence journal_export_taken_seq start with 1 increment by 1;

create table journal_export_taken (
  id bigint primary key,
  export_id bigint not null references journal_export,
  format varchar(10) not null,
  taken_by varchar(100) not null,
  taken_at timestamp with time zone not null,
  why varchar(400) not null
);
create index journal_export_taken_by_export on journal_export_taken (export_id, id);

create index journal_entry_by_day on journal_entry (company_id, booked_on);
create index settlement_by_day on settlement (company_id, posted_on);
create index intake_by_moment on intake (company_id, taken_at);
