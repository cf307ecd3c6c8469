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
