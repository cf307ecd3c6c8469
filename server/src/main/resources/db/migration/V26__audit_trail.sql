-- The audit trail: who did what to which thing, when, from where, with before and after. Written by the database itself
-- whoever changes a row, and changed by nobody (docs/decisions/029).
create sequence audit_act_seq start with 1 increment by 1;

create table audit_record (
  id bigint generated always as identity primary key,
  -- what was changed together has one act
  act bigint not null,
  company_id bigint,
  changed_at timestamp with time zone not null,
  actor varchar(200) not null,
  source varchar(100) not null,
  call varchar(300) not null,
  what varchar(30) not null,
  thing varchar(100) not null,
  kind varchar(10) not null,
  -- of the amounts in it, which are in minor units
  currency varchar(3),
  before_json varchar(1000000) not null,
  after_json varchar(1000000) not null
);
create index audit_record_by_company on audit_record (company_id, id);
create index audit_record_by_thing on audit_record (what, thing, id);
create index audit_record_by_actor on audit_record (actor, id);

create trigger audit_record_guard before update, delete on audit_record for each row call 'org.sumbrel.server.audit.AuditGuard';

create trigger company_audit after insert, update, delete on company for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger bank_account_audit after insert, update, delete on bank_account for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger ledger_account_audit after insert, update, delete on ledger_account for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger tax_code_audit after insert, update, delete on tax_code for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger policy_audit after insert, update, delete on policy for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger policy_limit_audit after insert, update, delete on policy_limit for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger app_user_audit after insert, update, delete on app_user for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger customer_audit after insert, update, delete on customer for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger customer_account_audit after insert, update, delete on customer_account for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger payer_alias_audit after insert, update, delete on payer_alias for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger open_item_audit after insert, update, delete on open_item for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger bank_entry_audit after update on bank_entry for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger settlement_audit after insert, update, delete on settlement for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger returned_receipt_audit after insert, update, delete on returned_receipt for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger deposit_audit after insert, update, delete on deposit for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger deposit_line_audit after insert, update, delete on deposit_line for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger deposit_count_audit after insert, update, delete on deposit_count for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger deposit_shown_audit after insert, update, delete on deposit_shown for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger held_receipt_audit after insert, update, delete on held_receipt for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger takings_audit after insert, update, delete on takings for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger lockbox_batch_audit after insert, update, delete on lockbox_batch for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger payout_audit after insert, update, delete on payout for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger processor_audit after insert, update, delete on processor for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger treatment_audit after insert, update, delete on treatment for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger treatment_share_audit after insert, update, delete on treatment_share for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger unattended_rule_audit after insert, update, delete on unattended_rule for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger tie_out_audit after insert, update, delete on tie_out for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger tie_out_error_audit after insert, update, delete on tie_out_error for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger closed_period_audit after insert, update, delete on closed_period for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger note_audit after insert, update, delete on note for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger attachment_audit after insert, delete on attachment for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger correction_audit after insert, update, delete on correction for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger item_update_audit after insert, update, delete on item_update for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger profile_audit after insert, update, delete on profile for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger intake_audit after insert, update, delete on intake for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger posting_run_audit after insert, update, delete on posting_run for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger journal_export_audit after insert, update, delete on journal_export for each row call 'org.sumbrel.server.audit.AuditTrigger';
create trigger journal_export_taken_audit after insert, update, delete on journal_export_taken for each row call 'org.sumbrel.server.audit.AuditTrigger';
