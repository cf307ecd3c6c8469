-- Exchange rates by day and pair. None is ever changed: a later one for the same day and pair stands in its place.
create sequence exchange_rate_seq start with 1 increment by 50;

create table exchange_rate (
  id bigint not null primary key,
  rate_on date not null,
  from_currency varchar(3) not null,
  to_currency varchar(3) not null,
  -- units of to_currency for one of from_currency
  per_unit decimal(30, 15) not null check (per_unit > 0),
  origin varchar(20) not null,
  reason varchar(400) not null,
  intake_id bigint references intake,
  recorded_by varchar(60) not null,
  recorded_at timestamp(6) with time zone not null,
  replaced_by_id bigint references exchange_rate,
  version bigint not null,
  check (from_currency <> to_currency)
);
create index exchange_rate_by_day on exchange_rate (rate_on, from_currency, to_currency);
create index exchange_rate_by_intake on exchange_rate (intake_id);
create trigger exchange_rate_audit after insert, update, delete on exchange_rate for each row call 'org.sumbrel.server.audit.AuditTrigger';

-- How the simulated service of daily rates behaves; one row at most.
create table simulated_rates (
  id bigint not null primary key,
  off_line boolean not null,
  late boolean not null,
  version bigint not null
);
