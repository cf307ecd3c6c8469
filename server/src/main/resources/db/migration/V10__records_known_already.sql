-- Which records of an intake were known already, the first of them, so that one can see where they came from.

create table intake_known (
  intake_id bigint not null references intake,
  kind varchar(10) not null,
  record_id bigint not null,
  primary key (intake_id, kind, record_id)
);
