-- What was sold on the spot, by the report of a till or one by one; its receipts wait for nothing.
create sequence takings_seq start with 1 increment by 1;

create table takings (
  id bigint primary key,
  company_id bigint not null references company,
  sold_on date not null,
  name varchar(100) not null,
  currency varchar(3) not null,
  sold_minor bigint not null,
  tax_minor bigint not null,
  till_cash_minor bigint not null,
  difference_minor bigint not null,
  journal_entry_id bigint not null references journal_entry,
  recorded_by varchar(100) not null,
  recorded_at timestamp with time zone not null,
  withdrawn_by varchar(100),
  withdrawn_at timestamp with time zone,
  withdrawn_why varchar(400),
  version bigint not null
);
create index takings_by_day on takings (company_id, sold_on);

-- Pictures of cheques, from a scanner or a mail room.
create sequence cheque_picture_seq start with 1 increment by 1;

create table cheque_picture (
  id bigint primary key,
  company_id bigint not null references company,
  media_type varchar(40) not null,
  content clob not null,
  taken_at timestamp with time zone not null
);

alter table held_receipt add column takings_id bigint;
alter table held_receipt add constraint held_receipt_takings foreign key (takings_id) references takings;
alter table held_receipt add column picture_id bigint;
alter table held_receipt add constraint held_receipt_picture foreign key (picture_id) references cheque_picture;
create index held_receipt_by_takings on held_receipt (takings_id);

-- What the simulated bank has credited of the deposits that were taken to it.
create table simulated_credit (
  deposit_id bigint not null references deposit,
  made_on date not null,
  amount_minor bigint not null,
  primary key (deposit_id, made_on)
);
