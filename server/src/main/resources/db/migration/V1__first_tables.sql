-- Amounts are kept in minor units of their currency (cents), signed from our side.

create sequence company_seq start with 1 increment by 50;
create sequence ledger_account_seq start with 1 increment by 50;
create sequence bank_account_seq start with 1 increment by 50;
create sequence customer_seq start with 1 increment by 50;
create sequence open_item_seq start with 1 increment by 50;
create sequence intake_seq start with 1 increment by 50;
create sequence statement_seq start with 1 increment by 50;
create sequence bank_entry_seq start with 1 increment by 50;
create sequence settlement_seq start with 1 increment by 1;
create sequence settlement_line_seq start with 1 increment by 50;
create sequence journal_entry_seq start with 1 increment by 50;
create sequence journal_line_seq start with 1 increment by 50;
create sequence app_user_seq start with 1 increment by 1;

create table company (
  id bigint primary key,
  name varchar(200) not null unique,
  currency varchar(3) not null,
  version bigint not null
);

create table policy (
  company_id bigint not null references company,
  currency varchar(3) not null,
  discount_grace_days int not null,
  write_off_under_minor bigint not null,
  write_off_over_minor bigint not null,
  write_off_percent decimal(9, 4) not null,
  usual_bank_fees varchar(400) not null,
  clear_at double precision not null,
  torn_within double precision not null,
  version bigint not null,
  primary key (company_id, currency)
);

create table ledger_account (
  id bigint primary key,
  company_id bigint not null references company,
  code varchar(20) not null,
  name varchar(200) not null,
  role varchar(40) not null,
  unique (company_id, code)
);

create table bank_account (
  id bigint primary key,
  company_id bigint not null references company,
  name varchar(200) not null,
  bank varchar(200) not null,
  number varchar(64) not null,
  currency varchar(3) not null,
  ledger_account_id bigint not null references ledger_account,
  version bigint not null,
  unique (company_id, number)
);

create table customer (
  id bigint primary key,
  company_id bigint not null references company,
  number varchar(64) not null,
  name varchar(300) not null,
  parent_id bigint references customer,
  oldest_first boolean not null,
  version bigint not null,
  unique (company_id, number)
);

create table customer_account (
  customer_id bigint not null references customer,
  account varchar(64) not null,
  primary key (customer_id, account)
);

create table intake (
  id bigint primary key,
  company_id bigint not null references company,
  file_name varchar(300) not null,
  format varchar(40) not null,
  fingerprint varchar(64) not null,
  size_bytes bigint not null,
  taken_by varchar(100) not null,
  taken_at timestamp with time zone not null,
  records int not null,
  fresh int not null,
  known int not null,
  passed_over int not null,
  problems varchar(20000) not null
);
create index intake_by_company on intake (company_id, id);
create index intake_by_fingerprint on intake (company_id, fingerprint);

create table statement (
  id bigint primary key,
  intake_id bigint not null references intake,
  bank_account_id bigint not null references bank_account,
  currency varchar(3) not null,
  closing_on date,
  closing_minor bigint,
  records int not null,
  credits_minor bigint not null,
  debits_minor bigint not null,
  known_credits_minor bigint not null,
  known_debits_minor bigint not null
);
create index statement_by_intake on statement (intake_id);

create table open_item (
  id bigint primary key,
  company_id bigint not null references company,
  customer_id bigint not null references customer,
  intake_id bigint references intake,
  kind varchar(20) not null,
  number varchar(64) not null,
  issued_on date not null,
  due_on date not null,
  currency varchar(3) not null,
  total_minor bigint not null,
  open_minor bigint not null,
  order_reference varchar(100) not null,
  creditor_reference varchar(40) not null,
  terms varchar(40) not null,
  settled_on date,
  version bigint not null,
  unique (company_id, number),
  check (open_minor = 0 or (total_minor > 0 and open_minor > 0 and open_minor <= total_minor)
    or (total_minor < 0 and open_minor < 0 and open_minor >= total_minor))
);
create index open_item_by_customer on open_item (customer_id, due_on);
create index open_item_by_company on open_item (company_id, due_on, id);

create table journal_entry (
  id bigint primary key,
  company_id bigint not null references company,
  booked_on date not null,
  text varchar(500) not null,
  written_by varchar(100) not null,
  written_at timestamp with time zone not null,
  reverses_id bigint references journal_entry
);
create index journal_entry_by_company on journal_entry (company_id, id);

create table journal_line (
  id bigint primary key,
  journal_entry_id bigint not null references journal_entry,
  position int not null,
  ledger_account_id bigint not null references ledger_account,
  customer_id bigint references customer,
  currency varchar(3) not null,
  amount_minor bigint not null
);
create index journal_line_by_entry on journal_line (journal_entry_id, position);
create index journal_line_by_account on journal_line (ledger_account_id, customer_id);

create table bank_entry (
  id bigint primary key,
  company_id bigint not null references company,
  bank_account_id bigint not null references bank_account,
  intake_id bigint not null references intake,
  entry_key varchar(300) not null,
  booked_on date not null,
  value_on date not null,
  currency varchar(3) not null,
  amount_minor bigint not null,
  payer_name varchar(300) not null,
  payer_account varchar(64) not null,
  remittance varchar(4000) not null,
  bank_reference varchar(200) not null,
  check_number varchar(64) not null,
  status varchar(20) not null,
  standing_rank int not null,
  settled_customer_id bigint references customer,
  version bigint not null,
  unique (bank_account_id, entry_key)
);
create index bank_entry_queue on bank_entry (company_id, status, standing_rank, booked_on, id);
create index bank_entry_by_intake on bank_entry (intake_id, status);

create table proposal (
  entry_id bigint primary key references bank_entry,
  company_id bigint not null references company,
  payer_id bigint references customer,
  body varchar(1000000) not null
);
create index proposal_by_company on proposal (company_id);

create table proposal_state (
  company_id bigint primary key references company,
  stale boolean not null
);

create table settlement (
  id bigint primary key,
  company_id bigint not null references company,
  entry_id bigint not null references bank_entry,
  currency varchar(3) not null,
  received_minor bigint not null,
  on_account_minor bigint not null,
  on_account_item_id bigint references open_item,
  on_account_customer_id bigint references customer,
  origin varchar(20) not null,
  status varchar(20) not null,
  posted_by varchar(100) not null,
  posted_at timestamp with time zone not null,
  posted_on date not null,
  journal_entry_id bigint not null references journal_entry,
  reversed_by varchar(100),
  reversed_at timestamp with time zone,
  reversal_reason varchar(500),
  reversal_entry_id bigint references journal_entry,
  version bigint not null
);
create index settlement_by_company on settlement (company_id, id);
create index settlement_by_entry on settlement (entry_id);

create table settlement_application (
  id bigint primary key,
  settlement_id bigint not null references settlement,
  position int not null,
  item_id bigint not null references open_item,
  amount_minor bigint not null,
  discount_minor bigint not null
);
create index settlement_application_by_settlement on settlement_application (settlement_id, position);
create index settlement_application_by_item on settlement_application (item_id);

create table settlement_adjustment (
  id bigint primary key,
  settlement_id bigint not null references settlement,
  position int not null,
  kind varchar(30) not null,
  amount_minor bigint not null
);
create index settlement_adjustment_by_settlement on settlement_adjustment (settlement_id, position);

-- One row for each call that moved money and carried an Idempotency-Key.
create table answered_call (
  user_name varchar(100) not null,
  call_key varchar(200) not null,
  request_hash varchar(64) not null,
  settlement_id bigint not null references settlement,
  primary key (user_name, call_key)
);

create table app_user (
  id bigint primary key,
  name varchar(100) not null unique,
  full_name varchar(200) not null,
  password_hash varchar(200) not null,
  role varchar(20) not null,
  failed_attempts int not null,
  locked_until timestamp with time zone,
  version bigint not null
);

-- The tables of Spring Session, as its schema gives them.
create table spring_session (
  primary_id char(36) not null,
  session_id char(36) not null,
  creation_time bigint not null,
  last_access_time bigint not null,
  max_inactive_interval int not null,
  expiry_time bigint not null,
  principal_name varchar(100),
  constraint spring_session_pk primary key (primary_id)
);
create unique index spring_session_ix1 on spring_session (session_id);
create index spring_session_ix2 on spring_session (expiry_time);
create index spring_session_ix3 on spring_session (principal_name);

create table spring_session_attributes (
  session_primary_id char(36) not null,
  attribute_name varchar(200) not null,
  attribute_bytes blob not null,
  constraint spring_session_attributes_pk primary key (session_primary_id, attribute_name),
  constraint spring_session_attributes_fk foreign key (session_primary_id) references spring_session (primary_id) on delete cascade
);
