-- What the engine knows is kept in memory and follows what is written of these too.
create trigger customer_account_changes after insert, update, delete on customer_account for each row call 'org.sumbrel.server.changes.RowTrigger';
create trigger remittance_advice_changes after insert, update, delete on remittance_advice for each row call 'org.sumbrel.server.changes.RowTrigger';
create trigger policy_changes after insert, update, delete on policy for each row call 'org.sumbrel.server.changes.RowTrigger';

-- What somebody said once of a payer: the name or the account stands for a customer. It is kept when it is forgotten, with
-- who did and when; nothing is learned from a settlement that is taken back.
create sequence payer_alias_seq start with 1 increment by 1;
create table payer_alias (
  id bigint primary key,
  company_id bigint not null references company,
  customer_id bigint not null references customer,
  payer_text varchar(300) not null,
  payer_account varchar(64) not null,
  settlement_id bigint references settlement,
  learned_by varchar(60) not null,
  learned_at timestamp with time zone not null,
  forgotten_by varchar(60),
  forgotten_at timestamp with time zone,
  version bigint not null
);
create index payer_alias_customer on payer_alias (company_id, customer_id);
create index payer_alias_settlement on payer_alias (settlement_id);
create trigger payer_alias_changes after insert, update, delete on payer_alias for each row call 'org.sumbrel.server.changes.RowTrigger';

-- A payment of the past that no longer tells who pays for whom.
alter table bank_entry add payer_forgotten boolean default false not null;
-- Adding a column makes the table anew, without its trigger's memory of the old one.
drop trigger if exists bank_entry_changes;
create trigger bank_entry_changes after insert, update, delete on bank_entry for each row call 'org.sumbrel.server.changes.RowTrigger';

-- What stood there as the first explanation when a settlement was posted: so it can be told how often it was right.
alter table settlement add proposed_standing varchar(10);
alter table settlement add proposed_probability double precision;
alter table settlement add proposed_evidence varchar(60);
alter table settlement add proposed_right boolean;
-- Where somebody took another explanation than the first: how it differs.
alter table settlement add chosen_manner varchar(10);
drop trigger if exists settlement_changes;
create trigger settlement_changes after insert, update, delete on settlement for each row call 'org.sumbrel.server.changes.RowTrigger';

-- What may be posted without a hand: clear proposals of a customer, a method or a bank account, up to an amount. Nothing is,
-- until somebody says so.
create sequence unattended_rule_seq start with 1 increment by 1;
create table unattended_rule (
  id bigint primary key,
  company_id bigint not null references company,
  currency varchar(3) not null,
  customer_id bigint references customer,
  bank_account_id bigint references bank_account,
  method varchar(10),
  up_to_minor bigint not null,
  made_by varchar(100) not null,
  made_at timestamp with time zone not null,
  ended_by varchar(100),
  ended_at timestamp with time zone,
  version bigint not null
);
create index unattended_rule_company on unattended_rule (company_id, ended_at);
create index posting_run_line_entry on posting_run_line (entry_id);
create index settlement_unattended on settlement (company_id, origin, posted_on);
