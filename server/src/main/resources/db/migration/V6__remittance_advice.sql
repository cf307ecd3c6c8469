-- What payers say of their payments, the money each advice is tied to, and customers' usual terms.

create sequence remittance_advice_seq start with 1 increment by 50;
create table remittance_advice (
  id bigint primary key,
  company_id bigint not null references company,
  intake_id bigint not null references intake,
  trace varchar(200) not null,
  -- the day that the payer gives, or else the day on which it was taken in
  paid_on date not null,
  day_said boolean not null,
  payer_name varchar(300) not null,
  currency varchar(3) not null,
  total_minor bigint not null,
  -- the items, as JSON
  items varchar(2000000) not null,
  -- the money it is about, once that is known
  entry_id bigint unique references bank_entry,
  tied_by varchar(20),
  version bigint not null
);
create index remittance_advice_loose on remittance_advice (company_id, entry_id);

alter table customer add column terms varchar(60) default '' not null;
