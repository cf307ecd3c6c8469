-- Limits by role, drafts, claims and refunds, money to accounts, shelving.

create table policy_limit (
  company_id bigint not null,
  currency varchar(3) not null,
  authority varchar(20) not null,
  kind varchar(30) not null,
  under_minor bigint not null,
  over_minor bigint not null,
  percent decimal(9, 4) not null,
  primary key (company_id, currency, authority, kind),
  foreign key (company_id, currency) references policy
);
insert into policy_limit (company_id, currency, authority, kind, under_minor, over_minor, percent)
  select company_id, currency, 'CLERK', 'WRITE_OFF', write_off_under_minor, write_off_over_minor, write_off_percent from policy;
alter table policy drop column write_off_under_minor;
alter table policy drop column write_off_over_minor;
alter table policy drop column write_off_percent;
alter table policy alter column usual_bank_fees rename to usual_fees;
update policy set usual_fees = replace(trim(usual_fees), ' ', '; ');
alter table policy add column fee_tax_percent decimal(9, 4) default 0 not null;
alter table policy add column rounding_step_minor bigint default 0 not null;

create table tax_code (
  company_id bigint not null references company,
  code varchar(20) not null,
  name varchar(100) not null,
  percent decimal(9, 4) not null,
  primary key (company_id, code)
);
insert into tax_code (company_id, code, name, percent) select id, 'NONE', 'No tax', 0 from company;

insert into ledger_account (id, company_id, code, name, role)
  select next value for ledger_account_seq, id, '2150', 'Refunds due', 'REFUNDS_DUE' from company;
insert into ledger_account (id, company_id, code, name, role)
  select next value for ledger_account_seq, id, '6195', 'Rounding differences', 'ROUNDING_DIFFERENCES' from company;
insert into ledger_account (id, company_id, code, name, role)
  select next value for ledger_account_seq, id, '4800', 'Other income', 'OTHER' from company;
insert into ledger_account (id, company_id, code, name, role)
  select next value for ledger_account_seq, id, '7100', 'Interest income', 'OTHER' from company;
insert into ledger_account (id, company_id, code, name, role)
  select next value for ledger_account_seq, id, '6500', 'Other expenses', 'OTHER' from company;

alter table open_item add column claim_reason varchar(30);
alter table open_item add column tax_minor bigint default 0 not null;
alter table open_item add column made_by_settlement_id bigint;
alter table open_item add foreign key (made_by_settlement_id) references settlement;
update open_item set made_by_settlement_id = (select s.id from settlement s where s.on_account_item_id = open_item.id);
create index open_item_made_by on open_item (made_by_settlement_id);

alter table settlement drop column on_account_item_id;
alter table settlement alter column entry_id set null;
alter table settlement add column account_of_id bigint references customer;
alter table settlement add column drafted_by varchar(100);
alter table settlement_adjustment add column tax_minor bigint default 0 not null;
alter table settlement_adjustment add column customer_id bigint references customer;
alter table settlement_adjustment add column ledger_account_id bigint references ledger_account;
alter table settlement_adjustment add column reason varchar(30);
alter table settlement_adjustment add column text varchar(400) default '' not null;

alter table bank_entry add column shelved_reason varchar(30);
alter table bank_entry add column shelved_note varchar(400);
alter table bank_entry add column shelved_by varchar(100);
alter table bank_entry add column shelved_at timestamp with time zone;

-- One for each entry, or for each customer whose account is being set against itself.
create sequence draft_seq start with 1 increment by 50;
create table draft (
  id bigint primary key,
  company_id bigint not null references company,
  entry_id bigint unique references bank_entry,
  account_of_id bigint unique references customer,
  body varchar(1000000) not null,
  held_by varchar(100) not null,
  held_since timestamp with time zone not null,
  state varchar(20) not null,
  note varchar(1000) not null,
  noted_by varchar(100),
  version bigint not null
);
create index draft_by_company on draft (company_id, state);
