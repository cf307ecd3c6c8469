-- Which rows were written, noted in the transaction that wrote them: what is kept in memory of them is brought up to
-- date from here. Whoever reads may see a later number before an earlier one, whose transaction takes longer.
create table row_change (
  seq bigint generated always as identity primary key,
  what varchar(30) not null,
  row_id bigint not null,
  noted_at timestamp with time zone default current_timestamp not null
);

-- Whom the first explanation names stands with the rank of that explanation.
alter table bank_entry add lead_customer_id bigint;
update bank_entry e set lead_customer_id = (select p.payer_id from proposal p where p.entry_id = e.id);
execute immediate 'alter table proposal drop constraint ' || (select k.constraint_name from information_schema.key_column_usage k
  join information_schema.referential_constraints r on r.constraint_name = k.constraint_name
  where k.table_name = 'PROPOSAL' and k.column_name = 'PAYER_ID');
alter table proposal drop column payer_id;
-- Lists and runs read the first explanation alone; of proposals made before, all of them.
alter table proposal add lead_body varchar(1000000);

create trigger customer_changes after insert, update, delete on customer for each row call 'org.sumbrel.server.changes.RowTrigger';
create trigger open_item_changes after insert, update, delete on open_item for each row call 'org.sumbrel.server.changes.RowTrigger';
create trigger bank_entry_changes after insert, update, delete on bank_entry for each row call 'org.sumbrel.server.changes.RowTrigger';
create trigger settlement_changes after insert, update, delete on settlement for each row call 'org.sumbrel.server.changes.RowTrigger';
create trigger statement_changes after insert, update, delete on statement for each row call 'org.sumbrel.server.changes.RowTrigger';
create trigger correction_changes after insert, update, delete on correction for each row call 'org.sumbrel.server.changes.RowTrigger';

-- Those who post note that proposals are behind in a row each, instead of waiting for one row of the company.
create table proposal_mark (
  id bigint generated always as identity primary key,
  company_id bigint not null
);
insert into proposal_mark (company_id) select company_id from proposal_state where stale;
alter table proposal_state drop column stale;
