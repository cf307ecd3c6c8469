-- A receipt of one company may settle items of others of the group: each part says in whose books it counts.
alter table settlement_application add column company_id bigint;
update settlement_application a set company_id = (select s.company_id from settlement s where s.id = a.settlement_id);
alter table settlement_application alter column company_id set not null;

alter table settlement_adjustment add column company_id bigint;
update settlement_adjustment a set company_id = (select s.company_id from settlement s where s.id = a.settlement_id);
alter table settlement_adjustment alter column company_id set not null;

alter table settlement_rate add column company_id bigint;
update settlement_rate a set company_id = (select s.company_id from settlement s where s.id = a.settlement_id);
alter table settlement_rate alter column company_id set not null;
-- what counts for another company in the receipt's own currency has no rate
alter table settlement_rate alter column per_unit set null;
alter table settlement_rate alter column source set null;

-- what a settlement wrote into the journals of the other companies
create table settlement_elsewhere (
  id bigint not null primary key,
  settlement_id bigint not null references settlement,
  position int not null,
  company_id bigint not null references company,
  journal_entry_id bigint not null references journal_entry,
  reversal_entry_id bigint references journal_entry
);
create index settlement_elsewhere_by_settlement on settlement_elsewhere (settlement_id, position);
create index settlement_elsewhere_by_company on settlement_elsewhere (company_id, settlement_id);

-- one account for each other company of the group
alter table ledger_account add column counterpart_id bigint references company;
drop trigger if exists ledger_account_audit;
insert into ledger_account (id, company_id, code, name, role, counterpart_id)
  select next value for ledger_account_seq, c.id, '1180-' || o.id, substring(o.name, 1, 200), 'GROUP_COMPANY', o.id
  from company c join company o on o.id <> c.id;
create trigger ledger_account_audit after insert, update, delete on ledger_account for each row call 'org.sumbrel.server.audit.AuditTrigger';

-- who works in which companies: in all of them, or in those that are named
alter table app_user add column every_company boolean default true not null;
drop trigger if exists app_user_audit;
create trigger app_user_audit after insert, update, delete on app_user for each row call 'org.sumbrel.server.audit.AuditTrigger';
create table user_company (
  user_id bigint not null references app_user,
  works_in bigint not null references company,
  primary key (user_id, works_in)
);
create trigger user_company_audit after insert, update, delete on user_company for each row call 'org.sumbrel.server.audit.AuditTrigger';

-- in which companies somebody works is kept with his sign-in
delete from spring_session_attributes;
delete from spring_session;
