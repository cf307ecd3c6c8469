-- The simulated processor of the demo: how far its weeks are, and what it sent that the simulated bank has not credited.
create table simulated_processor (
  company_id bigint primary key references company,
  first_day date not null,
  last_day date not null,
  late boolean not null,
  twice boolean not null,
  off_line boolean not null,
  wrong_total boolean not null,
  unknown_type boolean not null,
  version bigint not null
);

create table simulated_payout (
  company_id bigint not null references company,
  number varchar(64) not null,
  currency varchar(3) not null,
  sent_on date not null,
  net_minor bigint not null,
  payer varchar(100) not null,
  words varchar(200) not null,
  credited_on date,
  primary key (company_id, number)
);
