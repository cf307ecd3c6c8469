-- What a later list says otherwise of invoices and credit notes that are known; done when somebody accepts.

create sequence item_update_seq start with 1 increment by 50;
create table item_update (
  id bigint primary key,
  company_id bigint not null references company,
  intake_id bigint not null references intake,
  item_id bigint not null references open_item,
  kind varchar(20) not null,
  currency varchar(3) not null,
  old_due_on date not null,
  new_due_on date,
  old_open_minor bigint not null,
  new_open_minor bigint,
  status varchar(20) not null,
  decided_by varchar(100),
  decided_at timestamp with time zone,
  version bigint not null
);
create index item_update_by_company on item_update (company_id, status, id);
