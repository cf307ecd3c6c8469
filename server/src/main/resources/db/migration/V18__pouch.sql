-- Receipts in the office, and how they are banked. A receipt waits and is settled as an entry of the pouch, which is an
-- account of its own (docs/decisions/024); what else is known of it stands beside that entry.
alter table bank_account add kind varchar(10) default 'BANK' not null;
alter table bank_entry alter column intake_id set null;
-- changing a column makes the table anew, without its trigger's memory of the old one
drop trigger if exists bank_entry_changes;
create trigger bank_entry_changes after insert, update, delete on bank_entry for each row call 'org.sumbrel.server.changes.RowTrigger';

insert into ledger_account (id, company_id, code, name, role)
select next value for ledger_account_seq, c.id, '1055', 'Receipts to apply', 'RECEIPTS_TO_APPLY' from company c;
insert into ledger_account (id, company_id, code, name, role)
select next value for ledger_account_seq, c.id, '6180', 'Cash differences', 'CASH_DIFFERENCES' from company c;

-- a pouch for each currency in which there is a bank account
insert into bank_account (id, company_id, name, bank, number, currency, ledger_account_id, version, kind)
select next value for bank_account_seq, b.company_id, 'The pouch', '', 'pouch ' || b.currency, b.currency,
  (select min(l.id) from ledger_account l where l.company_id = b.company_id and l.role = 'RECEIPTS_TO_APPLY'), 0, 'POUCH'
from (select distinct company_id, currency from bank_account) b;

create sequence deposit_seq start with 1 increment by 1;

create table deposit (
  id bigint primary key,
  company_id bigint not null references company,
  bank_account_id bigint not null references bank_account,
  banked_on date not null,
  slip varchar(40) not null,
  currency varchar(3) not null,
  status varchar(20) not null,
  total_minor bigint not null,
  shown_minor bigint not null,
  made_by varchar(100) not null,
  made_at timestamp with time zone not null,
  journal_entry_id bigint references journal_entry,
  version bigint not null
);
create index deposit_by_company on deposit (company_id, status, banked_on);

create table deposit_line (
  deposit_id bigint not null references deposit,
  place int not null,
  kind varchar(30) not null,
  ledger_account_id bigint references ledger_account,
  amount_minor bigint not null,
  words varchar(200) not null,
  journal_entry_id bigint references journal_entry,
  primary key (deposit_id, place)
);

create table deposit_count (
  deposit_id bigint not null references deposit,
  piece_minor bigint not null,
  pieces int not null,
  primary key (deposit_id, piece_minor)
);

create table deposit_shown (
  deposit_id bigint not null references deposit,
  entry_id bigint not null references bank_entry,
  amount_minor bigint not null,
  tied_by varchar(100) not null,
  tied_at timestamp with time zone not null,
  primary key (deposit_id, entry_id)
);
create index deposit_shown_by_entry on deposit_shown (entry_id);

create table held_receipt (
  entry_id bigint primary key references bank_entry,
  company_id bigint not null references company,
  method varchar(20) not null,
  received_on date not null,
  currency varchar(3) not null,
  amount_minor bigint not null,
  payer varchar(300) not null,
  reference varchar(100) not null,
  routing varchar(9) not null,
  held_until date,
  deposit_id bigint references deposit,
  recorded_by varchar(100) not null,
  recorded_at timestamp with time zone not null,
  journal_entry_id bigint not null references journal_entry,
  withdrawn_by varchar(100),
  withdrawn_at timestamp with time zone,
  withdrawn_why varchar(400),
  version bigint not null
);
create index held_receipt_by_deposit on held_receipt (company_id, deposit_id);
