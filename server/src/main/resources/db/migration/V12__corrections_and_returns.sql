-- What a settlement was posted in place of, and receipts that the bank took back.
alter table settlement add column replaces_id bigint references settlement;
create index settlement_replaces on settlement (replaces_id);
create sequence returned_receipt_seq start with 1 increment by 50;
create table returned_receipt (
  id bigint primary key,
  company_id bigint not null references company,
  entry_id bigint not null unique references bank_entry,
  debit_id bigint not null unique references bank_entry,
  fee_debit_id bigint unique references bank_entry,
  settlement_id bigint references settlement,
  currency varchar(3) not null,
  fee_minor bigint not null,
  fee_item_id bigint references open_item,
  fee_journal_entry_id bigint references journal_entry,
  reason varchar(400) not null,
  returned_by varchar(100) not null,
  returned_at timestamp with time zone not null
);
create index returned_receipt_by_settlement on returned_receipt (settlement_id);
