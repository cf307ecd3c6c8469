-- Notes and questions on an entry, an item or a customer, with files.
create sequence note_seq start with 1 increment by 50;
create sequence attachment_seq start with 1 increment by 50;
create table note (
  id bigint primary key,
  company_id bigint not null references company,
  about varchar(40) not null,
  text varchar(2000) not null,
  written_by varchar(100) not null,
  written_at timestamp with time zone not null,
  to_user varchar(100),
  done_by varchar(100),
  done_at timestamp with time zone
);
create index note_about on note (about, id);
create index note_to on note (to_user, done_at);
create index note_by_company on note (company_id, id);
create table attachment (
  id bigint primary key,
  note_id bigint not null references note,
  name varchar(200) not null,
  media_type varchar(50) not null,
  size_bytes bigint not null,
  content blob not null
);
create index attachment_by_note on attachment (note_id);
