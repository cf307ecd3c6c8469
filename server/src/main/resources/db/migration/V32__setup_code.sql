-- The one-time code that whoever becomes the first administrator must enter; only its hash is kept.
create table setup_code (
  id bigint primary key,
  code_hash varchar(200) not null,
  made_at timestamp with time zone not null
);
