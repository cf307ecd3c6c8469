-- A page of a long list is read from the index in its order, instead of sorting all rows of the company.
create index open_item_by_id on open_item (company_id, id);
create index open_item_by_issue on open_item (company_id, issued_on, id);
