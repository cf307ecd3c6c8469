-- A receipt may settle what is in other currencies; the rates are kept with the settlement. Amounts in a currency other than
-- that of the books have their worth beside them; null in the currency of the books, and where no rate is known.
alter table settlement add column exchanged_minor bigint default 0 not null;

alter table settlement_application add column currency varchar(3);
update settlement_application a set currency = (select s.currency from settlement s where s.id = a.settlement_id);
alter table settlement_application alter column currency set not null;
-- what it took of what the item stood in the books with
alter table settlement_application add column worth_minor bigint;

alter table settlement_adjustment add column currency varchar(3);
update settlement_adjustment a set currency = (select s.currency from settlement s where s.id = a.settlement_id);
alter table settlement_adjustment alter column currency set not null;

create table settlement_rate (
  id bigint not null primary key,
  settlement_id bigint not null references settlement,
  position int not null,
  from_currency varchar(3) not null,
  to_currency varchar(3) not null,
  per_unit decimal(38, 20) not null,
  source varchar(10) not null,
  words varchar(400) not null,
  -- what of the receipt counts in the other currency, and for what; null for the rate at which the books value it
  given_minor bigint,
  counted_minor bigint,
  counted_currency varchar(3)
);
create index settlement_rate_by_settlement on settlement_rate (settlement_id, position);

alter table journal_line add column worth_minor bigint;

-- what its open balance stands in the books with
alter table open_item add column worth_minor bigint;

insert into ledger_account (id, company_id, code, name, role)
  select next value for ledger_account_seq, c.id, '7590', 'Currency conversion', 'CURRENCY_CONVERSION' from company c
  where not exists (select 1 from ledger_account a where a.company_id = c.id and a.code = '7590');
insert into ledger_account (id, company_id, code, name, role)
  select next value for ledger_account_seq, c.id, '7590-2', 'Currency conversion', 'CURRENCY_CONVERSION' from company c
  where not exists (select 1 from ledger_account a where a.company_id = c.id and a.role = 'CURRENCY_CONVERSION');

drop trigger if exists open_item_changes;
create trigger open_item_changes after insert, update, delete on open_item for each row call 'org.sumbrel.server.changes.RowTrigger';
drop trigger if exists open_item_audit;
create trigger open_item_audit after insert, update, delete on open_item for each row call 'org.sumbrel.server.audit.AuditTrigger';
drop trigger if exists settlement_changes;
create trigger settlement_changes after insert, update, delete on settlement for each row call 'org.sumbrel.server.changes.RowTrigger';
drop trigger if exists settlement_audit;
create trigger settlement_audit after insert, update, delete on settlement for each row call 'org.sumbrel.server.audit.AuditTrigger';
