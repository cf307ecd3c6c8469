-- Many drafts posted as one job: each line by itself, with what became of it.
create sequence posting_run_seq start with 1 increment by 1;
create sequence posting_run_line_seq start with 1 increment by 50;
create table posting_run (
  id bigint primary key,
  company_id bigint not null references company,
  started_by varchar(100) not null,
  role varchar(20) not null,
  call_key varchar(200),
  started_at timestamp with time zone not null,
  ended_at timestamp with time zone,
  state varchar(20) not null,
  stop_asked boolean not null,
  total int not null,
  posted int not null,
  refused int not null,
  currency varchar(3) not null,
  amount_minor bigint not null,
  posted_minor bigint not null,
  unique (started_by, call_key)
);
create index posting_run_by_company on posting_run (company_id, id);
create table posting_run_line (
  id bigint primary key,
  run_id bigint not null references posting_run,
  position int not null,
  entry_id bigint not null,
  payer varchar(400) not null,
  currency varchar(3) not null,
  amount_minor bigint not null,
  by_hand boolean not null,
  body varchar(1000000) not null,
  state varchar(20) not null,
  settlement_id bigint references settlement,
  refusal varchar(1000),
  unique (run_id, position)
);
create index posting_run_line_open on posting_run_line (run_id, state, position);
