-- Lockbox batches: the cheques that a bank's mail room took out of the envelopes of a morning (docs/decisions/026). Each
-- cheque is a receipt as those of the pouch are; what the batch claims of itself stands here.
alter table bank_account add column lockbox varchar(20) default '' not null;

create sequence lockbox_batch_seq start with 1 increment by 1;

create table lockbox_batch (
  id bigint primary key,
  company_id bigint not null references company,
  intake_id bigint not null references intake,
  bank_account_id bigint not null references bank_account,
  number varchar(40) not null,
  lockbox varchar(40) not null,
  currency varchar(3) not null,
  deposited_on date not null,
  cheques int not null,
  total_minor bigint not null,
  claimed_cheques int,
  claimed_minor bigint,
  contradictions varchar(20000) not null,
  accepted_by varchar(100),
  accepted_at timestamp with time zone,
  accepted_why varchar(400),
  deposit_id bigint references deposit,
  version bigint not null
);
create index lockbox_batch_by_company on lockbox_batch (company_id, deposited_on);
create index lockbox_batch_by_intake on lockbox_batch (intake_id);

alter table held_receipt add column lockbox_batch_id bigint;
alter table held_receipt add constraint held_receipt_lockbox_batch foreign key (lockbox_batch_id) references lockbox_batch;
alter table held_receipt add column drawer_account varchar(64) default '' not null;
update held_receipt r set drawer_account = (select e.payer_account from bank_entry e where e.id = r.entry_id);
alter table held_receipt add column batch_item varchar(20) default '' not null;
alter table held_receipt add column item_count int default 0 not null;
alter table held_receipt add column item_minor bigint default 0 not null;
create index held_receipt_by_lockbox_batch on held_receipt (lockbox_batch_id);

-- A run may wait: for a second person who releases it, for a time, or for both.
alter table posting_run add column lockbox_batch_id bigint;
alter table posting_run add constraint posting_run_lockbox_batch foreign key (lockbox_batch_id) references lockbox_batch;
alter table posting_run add column needs_release boolean default false not null;
alter table posting_run add column not_before timestamp with time zone;
alter table posting_run add column released_by varchar(100);
alter table posting_run add column released_at timestamp with time zone;
create index posting_run_by_lockbox_batch on posting_run (lockbox_batch_id);

-- What a first explanation comes to stands beside it, for whoever counts many; what was thought before is thought anew.
alter table proposal add column lead_applied_minor bigint default 0 not null;
alter table proposal add column lead_kept_minor bigint default 0 not null;
alter table proposal add column lead_on_account_minor bigint default 0 not null;
alter table proposal add column lead_elsewhere_minor bigint default 0 not null;
alter table proposal add column lead_owing boolean default false not null;
delete from proposal;
insert into proposal_mark (company_id) select id from company;

alter table policy add column batches_released boolean default false not null;
-- adding a column makes the table anew, without its trigger's memory of the old one
drop trigger if exists policy_changes;
create trigger policy_changes after insert, update, delete on policy for each row call 'org.sumbrel.server.changes.RowTrigger';

-- The simulated mail room of the demo: how far its days are, and what it saw in its envelopes beyond what its files say.
alter table simulated_delivery add column source varchar(10) default 'BANK' not null;

create table simulated_mail_room (
  company_id bigint primary key references company,
  last_day date not null,
  late boolean not null,
  twice boolean not null,
  off_line boolean not null,
  wrong_total boolean not null,
  version bigint not null
);

create table simulated_envelope (
  company_id bigint not null references company,
  lockbox varchar(40) not null,
  deposited_on date not null,
  batch varchar(40) not null,
  item varchar(20) not null,
  drawer varchar(300) not null,
  memo varchar(300) not null,
  -- the numbers of what it pays, so that none is paid twice
  pays varchar(1000) not null,
  primary key (company_id, lockbox, deposited_on, batch, item)
);
