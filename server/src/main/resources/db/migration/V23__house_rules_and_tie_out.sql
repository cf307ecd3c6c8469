-- House rules for what is no receipt, transfers between own accounts, refunds that were sent, the tie-out and closed
-- periods (docs/decisions/028).
create sequence treatment_seq start with 1 increment by 1;

create table treatment (
  id bigint primary key,
  company_id bigint not null references company,
  name varchar(120) not null,
  place int not null,
  in_use boolean not null,
  words varchar(1000) not null,
  counterparty varchar(300) not null,
  counterparty_account varchar(64) not null,
  bank_account_id bigint references bank_account,
  direction varchar(10) not null,
  least_minor bigint,
  most_minor bigint,
  currency varchar(3) not null,
  cap_minor bigint not null,
  way varchar(10) not null,
  made_by varchar(100) not null,
  made_at timestamp with time zone not null,
  changed_by varchar(100) not null,
  changed_at timestamp with time zone not null,
  ended_by varchar(100),
  ended_at timestamp with time zone,
  version bigint not null
);
create index treatment_by_company on treatment (company_id, place);

create table treatment_share (
  treatment_id bigint not null references treatment,
  place int not null,
  ledger_account_id bigint not null references ledger_account,
  percent decimal(9, 4) not null,
  tax_percent decimal(9, 4) not null,
  words varchar(200) not null,
  primary key (treatment_id, place)
);

insert into ledger_account (id, company_id, code, name, role)
select next value for ledger_account_seq, c.id, '1090', 'Own transfers under way', 'OWN_TRANSFERS' from company c;

create sequence own_transfer_seq start with 1 increment by 1;

-- which house rule a settlement follows; of which transfer it is one side, and where the other is; from which account a
-- refund was sent, and by which entry the bank showed it
alter table settlement add treatment_id bigint references treatment;
alter table settlement add treatment_name varchar(120);
alter table settlement add transfer_id bigint;
alter table settlement add transfer_with_id bigint references bank_account;
alter table settlement add sent_from_id bigint references bank_account;
alter table settlement add shown_by_id bigint references bank_entry;
-- adding a column makes the table anew, without its trigger's memory of the old one
drop trigger if exists settlement_changes;
create trigger settlement_changes after insert, update, delete on settlement for each row call 'org.sumbrel.server.changes.RowTrigger';
create index settlement_by_treatment on settlement (treatment_id);
create index settlement_by_transfer on settlement (transfer_id);
create index settlement_by_sender on settlement (sent_from_id);

-- the day that an entry is of, where that day was closed and it stands on the first open one
alter table journal_entry add of_day date;

-- by which entry the books know that a banked receipt was taken back
alter table returned_receipt add journal_entry_id bigint references journal_entry;

alter table bank_account add opening_on date;
alter table bank_account add opening_minor bigint;
alter table bank_account add opening_entry_id bigint references journal_entry;

create sequence tie_out_seq start with 1 increment by 1;
create table tie_out (
  id bigint primary key,
  company_id bigint not null references company,
  bank_account_id bigint not null references bank_account,
  as_of date not null,
  currency varchar(3) not null,
  statement_minor bigint not null,
  books_minor bigint not null,
  explained varchar(1000000) not null,
  closed_by varchar(100) not null,
  closed_at timestamp with time zone not null,
  reopened_by varchar(100),
  reopened_at timestamp with time zone,
  reopened_why varchar(400),
  version bigint not null
);
create index tie_out_by_account on tie_out (bank_account_id, as_of);

create sequence tie_out_error_seq start with 1 increment by 1;
-- what somebody has written down as an error of the bank or of the books, until it is put right
create table tie_out_error (
  id bigint primary key,
  company_id bigint not null references company,
  bank_account_id bigint not null references bank_account,
  whose varchar(10) not null,
  noticed_on date not null,
  amount_minor bigint not null,
  words varchar(400) not null,
  noted_by varchar(100) not null,
  noted_at timestamp with time zone not null,
  right_since date,
  right_by varchar(100),
  right_at timestamp with time zone,
  version bigint not null
);
create index tie_out_error_by_account on tie_out_error (bank_account_id);

create sequence closed_period_seq start with 1 increment by 1;
create table closed_period (
  id bigint primary key,
  company_id bigint not null references company,
  until_day date not null,
  closed_by varchar(100) not null,
  closed_at timestamp with time zone not null,
  reopened_by varchar(100),
  reopened_at timestamp with time zone,
  reopened_why varchar(400),
  version bigint not null
);
create index closed_period_by_company on closed_period (company_id);
