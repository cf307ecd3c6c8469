-- A payout that is booked or reversed in the background: who does it, how far it is, and why it was refused.
-- alive_at is renewed while a process works on it; a job whose process died counts no longer.
create table payout_job (
  payout_id bigint primary key references payout on delete cascade,
  doing varchar(20) not null,
  started_by varchar(100) not null,
  items bigint not null,
  done bigint not null,
  refused varchar(2000),
  alive_at timestamp with time zone not null,
  version bigint not null
);
