-- Rows of a file that could not be read and were left out: put right or shelved, with who and when.

create sequence left_out_seq start with 1 increment by 50;
create table left_out (
  id bigint primary key,
  intake_id bigint not null references intake,
  bank_account_id bigint references bank_account,
  line int not null,
  -- headings and cells as JSON lists
  headings varchar(200000) not null,
  cells varchar(1000000) not null,
  message varchar(4000) not null,
  -- the profile by which its file was read, as YAML
  shape varchar(200000) not null,
  status varchar(20) not null,
  note varchar(500),
  decided_by varchar(100),
  decided_at timestamp with time zone,
  became_intake_id bigint references intake,
  version bigint not null
);
create index left_out_by_intake on left_out (intake_id, line);
