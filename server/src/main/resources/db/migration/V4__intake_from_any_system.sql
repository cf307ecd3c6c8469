-- Intake from any system: profiles of tables, files kept as they came.

create sequence profile_seq start with 1 increment by 50;
create table profile (
  id bigint primary key,
  company_id bigint not null references company,
  name varchar(100) not null,
  subject varchar(20) not null,
  -- the profile itself, as the YAML that is exported
  shape varchar(200000) not null,
  changed_by varchar(100) not null,
  changed_at timestamp with time zone not null,
  version bigint not null,
  unique (company_id, name)
);

-- by which profile the file was read; empty where none was needed
alter table intake add column profile varchar(100) default '' not null;

-- the file as it came, compressed
create table intake_file (
  intake_id bigint primary key references intake,
  content blob not null
);

-- an intake of which nothing was posted may be taken back; its row stays
alter table intake add column taken_back_by varchar(100);
alter table intake add column taken_back_at timestamp with time zone;
-- which intake announced an entry that another one booked
alter table bank_entry add column announced_intake_id bigint;
alter table bank_entry add foreign key (announced_intake_id) references intake;
alter table customer add column intake_id bigint;
alter table customer add foreign key (intake_id) references intake;
create index open_item_by_intake on open_item (intake_id);

-- intakes that run now, for whoever follows or stops them; written beside the intake's own transaction
create table running_intake (
  id varchar(36) primary key,
  file_name varchar(300) not null,
  started_by varchar(100) not null,
  started_at timestamp with time zone not null,
  phase varchar(20) not null,
  done bigint not null,
  total bigint not null,
  stop_asked boolean not null
);
