-- Payouts of card processors and marketplaces (docs/decisions/027): a net amount and what it is made of. What is booked of
-- one is a settlement in which no money arrives, and a deposit.
insert into ledger_account (id, company_id, code, name, role)
  select next value for ledger_account_seq, c.id, '4050', 'Sales refunds', 'SALES_REFUNDS' from company c
  where not exists (select 1 from ledger_account a where a.company_id = c.id and a.code = '4050');
insert into ledger_account (id, company_id, code, name, role)
  select next value for ledger_account_seq, c.id, '6120', 'Chargebacks', 'CHARGEBACKS' from company c
  where not exists (select 1 from ledger_account a where a.company_id = c.id and a.code = '6120');

create sequence processor_seq start with 1 increment by 1;
create sequence payout_seq start with 1 increment by 1;
create sequence payout_item_seq start with 1 increment by 1;

create table processor (
  id bigint primary key,
  company_id bigint not null references company,
  name varchar(100) not null,
  clearing_account_id bigint not null references ledger_account,
  reserve_account_id bigint not null references ledger_account,
  version bigint not null,
  unique (company_id, name)
);

create table payout (
  id bigint primary key,
  company_id bigint not null references company,
  intake_id bigint not null references intake,
  processor_id bigint not null references processor,
  number varchar(64) not null,
  currency varchar(3) not null,
  period_start date,
  period_end date,
  paid_on date not null,
  previous_minor bigint not null,
  claimed_minor bigint,
  net_minor bigint not null,
  paid_out_minor bigint not null,
  items int not null,
  -- by what it is told from another payout of the same number
  fingerprint varchar(64) not null,
  contradictions varchar(20000) not null,
  accepted_by varchar(100),
  accepted_at timestamp with time zone,
  accepted_why varchar(400),
  posted_by varchar(100),
  posted_at timestamp with time zone,
  settlement_id bigint references settlement,
  deposit_id bigint references deposit,
  version bigint not null
);
create index payout_by_company on payout (company_id, id);
create index payout_by_intake on payout (intake_id);
create index payout_by_processor on payout (processor_id, number);

create table payout_item (
  id bigint primary key,
  payout_id bigint not null references payout,
  line int not null,
  item_key varchar(64) not null,
  type varchar(30) not null,
  word varchar(100) not null,
  reference varchar(100) not null,
  related varchar(64) not null,
  happened_on date,
  gross_minor bigint not null,
  fee_minor bigint not null,
  tax_minor bigint not null,
  fee_tax_minor bigint not null,
  method varchar(60) not null,
  payer varchar(300) not null,
  words varchar(500) not null,
  -- what it belongs to; where somebody is to be asked, the candidates and why
  join_kind varchar(20) not null,
  join_target bigint,
  candidates varchar(2000) not null,
  asked varchar(500) not null,
  decided_by varchar(100)
);
create index payout_item_by_payout on payout_item (payout_id, id);
create index payout_item_by_target on payout_item (join_target, join_kind);

alter table deposit add column payout_id bigint references payout;
alter table settlement add column payout_id bigint references payout;
alter table settlement add column payout_words varchar(200);
-- adding a column makes the table anew, without its trigger's memory of the old one
drop trigger if exists settlement_changes;
create trigger settlement_changes after insert, update, delete on settlement for each row call 'org.sumbrel.server.changes.RowTrigger';
