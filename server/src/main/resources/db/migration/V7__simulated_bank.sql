-- The simulated bank of the demo: what it is set to, and the files that lie ready there.

create table simulated_bank (
  company_id bigint primary key references company,
  bank_account_id bigint references bank_account,
  -- the last day it has made a statement of
  last_day date not null,
  balance_minor bigint not null,
  sequence_no int not null,
  late boolean not null,
  twice boolean not null,
  off_line boolean not null,
  wrong_balance boolean not null,
  wrong_currency boolean not null,
  version bigint not null
);

create sequence simulated_delivery_seq start with 1 increment by 50;
create table simulated_delivery (
  id bigint primary key,
  company_id bigint not null references company,
  file_name varchar(200) not null,
  made_on date not null,
  -- the day from which it can be fetched
  ready_on date not null,
  content varchar(1000000) not null,
  fetched_at timestamp with time zone,
  intake_id bigint references intake,
  -- why it was not taken in
  refused varchar(2000),
  version bigint not null
);
create index simulated_delivery_by_company on simulated_delivery (company_id, id);

-- files that the watched folder set apart
create sequence set_apart_seq start with 1 increment by 50;
create table set_apart (
  id bigint primary key,
  file_name varchar(300) not null,
  report varchar(20000) not null,
  set_apart_at timestamp with time zone not null
);
