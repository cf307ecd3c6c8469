-- Numbers that the application gives, reasons of claims in a company's own words, users who may no longer sign in.
create table number_range (
  company_id bigint not null references company,
  kind varchar(20) not null,
  prefix varchar(12) not null,
  version bigint not null,
  primary key (company_id, kind)
);

create table claim_reason_word (
  company_id bigint not null references company,
  reason varchar(30) not null,
  words varchar(60) not null,
  offered boolean not null,
  version bigint not null,
  primary key (company_id, reason)
);

alter table app_user add column may_sign_in boolean default true not null;

drop trigger if exists app_user_audit;
create trigger app_user_audit after insert, update, delete on app_user for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger number_range_audit after insert, update, delete on number_range for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger claim_reason_word_audit after insert, update, delete on claim_reason_word for each row call 'org.sumbrel.server.audit.AuditTrigger';
