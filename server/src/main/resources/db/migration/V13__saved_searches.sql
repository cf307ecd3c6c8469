-- Search lines that somebody keeps under a name of his own.
create sequence saved_search_seq start with 1 increment by 1;
create table saved_search (
  id bigint primary key,
  user_name varchar(100) not null,
  name varchar(100) not null,
  line varchar(400) not null,
  unique (user_name, name)
);
