package org.sumbrel.server.customers;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.Money;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.EarlyPaymentTerms;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.server.ManyRows;
import org.sumbrel.server.api.NotThere;

/**
 * Customers and open items, for the other subjects: looked up, handed over as core values, brought
 * up to date.
 */
@Service
@Transactional(readOnly = true)
public class Customers {

  private final CustomerRepository customers;
  private final OpenItemRepository items;
  private final ManyRows rows;
  private final ItemWorths worths;

  Customers(
      CustomerRepository customers, OpenItemRepository items, ManyRows rows, ItemWorths worths) {
    this.worths = worths;
    this.customers = customers;
    this.items = items;
    this.rows = rows;
  }

  public List<Customer> all(Long companyId) {
    return customers.findByCompanyId(companyId).stream().map(CustomerEntity::toCustomer).toList();
  }

  /** Those of these customers that are the company's. */
  public List<Customer> some(Long companyId, Collection<Long> ids) {
    return customers.findAllById(ids).stream()
        .filter(c -> c.companyId().equals(companyId))
        .map(CustomerEntity::toCustomer)
        .toList();
  }

  /** Those of these items that are still there and the company's. */
  public List<OpenItemEntity> itemsThere(Long companyId, Collection<Long> ids) {
    return items.findAllById(ids).stream().filter(i -> i.companyId().equals(companyId)).toList();
  }

  public List<OpenItemEntity> itemsOf(Long companyId) {
    return items.findByCompanyId(companyId);
  }

  /** Those of the items with these ids that are still there. */
  public Map<Long, OpenItemEntity> itemsLeft(Collection<Long> ids) {
    return items.findAllById(ids).stream()
        .collect(Collectors.toMap(OpenItemEntity::id, Function.identity()));
  }

  /** The items with these ids; every one of them is there, else {@link NotThere}. */
  public Map<Long, OpenItemEntity> items(Collection<Long> ids) {
    var found = itemsLeft(ids);
    for (var id : ids) {
      if (!found.containsKey(id)) {
        throw new NotThere("open item", id);
      }
    }
    return found;
  }

  /** Reads items and customers in one go for a transaction that will ask for each of them. */
  public void lookUp(Collection<Long> itemIds, Collection<Long> customerIds) {
    items.findAllById(itemIds);
    customers.findAllById(customerIds);
  }

  /** The customer, where it is one of the company's. */
  public CustomerEntity customer(Long companyId, Long id) {
    return customers
        .findById(id)
        .filter(c -> c.companyId().equals(companyId))
        .orElseThrow(() -> new NotThere("customer", id));
  }

  public Long companyOf(Long id) {
    return customers
        .findById(id)
        .map(CustomerEntity::companyId)
        .orElseThrow(() -> new NotThere("customer", id));
  }

  /** Names by id, for lists. */
  public Map<Long, String> names(Collection<Long> ids) {
    return customers.findAllById(ids).stream()
        .collect(Collectors.toMap(CustomerEntity::id, CustomerEntity::name));
  }

  /** Numbers of customers by id, for lists. */
  public Map<Long, String> numbers(Collection<Long> ids) {
    return customers.findAllById(ids).stream()
        .collect(Collectors.toMap(CustomerEntity::id, CustomerEntity::number));
  }

  /** Customers whose name or number has a text, by name. */
  public List<CustomerEntity> like(Long companyId, String text, int most) {
    return customers.page(companyId, text, "", 0, Limit.of(most));
  }

  /** Who pays for whom: the parent of each customer that has one. */
  public Map<Long, Long> payers(Long companyId) {
    return customers.findByCompanyIdAndParentIdIsNotNull(companyId).stream()
        .collect(Collectors.toMap(CustomerEntity::id, CustomerEntity::parentId));
  }

  /** Ids of customers by number, for lists. */
  public Map<String, Long> byNumbers(Long companyId, Collection<String> numbers) {
    return customers.findByCompanyIdAndNumberIn(companyId, numbers).stream()
        .collect(Collectors.toMap(CustomerEntity::number, CustomerEntity::id));
  }

  /** Numbers of items that begin with a text, in their order. */
  public List<String> numbersLike(Long companyId, String text, int most) {
    return items.numbersLike(companyId, text.toUpperCase(Locale.ROOT), Limit.of(most));
  }

  public Optional<CustomerEntity> numbered(Long companyId, String number) {
    return customers.findByCompanyIdAndNumber(companyId, number);
  }

  /** All customers of a company by their number, to be added to by whoever takes a file in. */
  public Map<String, CustomerEntity> byNumber(Long companyId) {
    var all = new HashMap<String, CustomerEntity>();
    customers.findByCompanyId(companyId).forEach(c -> all.put(c.number(), c));
    return all;
  }

  public List<OpenItemEntity> itemsNumbered(Long companyId, Collection<String> numbers) {
    return items.numbered(companyId, numbers.stream().distinct().toArray(String[]::new));
  }

  @Transactional
  public CustomerEntity add(Long companyId, String number, String name, Long intakeId) {
    return customers.save(new CustomerEntity(companyId, number, name, intakeId));
  }

  /** What an intake brought of invoices and credit notes. */
  public List<OpenItemEntity> itemsOfIntake(Long intakeId) {
    return items.findByIntakeId(intakeId);
  }

  /**
   * Removes the items of an intake, which nobody has settled, and the customers that it brought, as
   * far as nothing else is written of them.
   */
  @Transactional
  public void remove(Long intakeId) {
    items.removeAllOf(intakeId);
    // branches first, then the parents that have none any more
    for (var unused = customers.broughtAndUnused(intakeId);
        !unused.isEmpty();
        unused = customers.broughtAndUnused(intakeId)) {
      customers.deleteAll(unused);
      customers.flush();
    }
  }

  @Transactional
  public void update(
      CustomerEntity customer,
      String name,
      List<String> moreAccounts,
      Optional<EarlyPaymentTerms> terms,
      Optional<Boolean> oldestFirst) {
    customer.update(name, moreAccounts, terms, oldestFirst);
  }

  @Transactional
  public void paidBy(CustomerEntity customer, CustomerEntity parent) {
    customer.paidBy(parent.id());
  }

  @Transactional
  public OpenItemEntity add(OpenItem item, Long intakeId) {
    return kept(new OpenItemEntity(item, intakeId));
  }

  @Transactional
  public void addAll(Collection<? extends OpenItem> fresh, Long intakeId) {
    var made = fresh.stream().map(i -> new OpenItemEntity(i, intakeId)).toList();
    worths.value(made);
    rows.insert(made);
  }

  /**
   * Keeps an item that a settlement made.
   *
   * @param prepaid for which order money on account is a prepayment; empty where it is for none
   */
  @Transactional
  public OpenItemEntity made(OpenItem item, Long settlementId, String prepaid) {
    return kept(OpenItemEntity.madeBy(settlementId, item, prepaid));
  }

  private OpenItemEntity kept(OpenItemEntity row) {
    worths.value(List.of(row));
    return items.save(row);
  }

  /** What a settlement made, in its order. */
  public List<OpenItemEntity> madeBy(Long settlementId) {
    return items.findByMadeBySettlementIdOrderById(settlementId);
  }

  /** What a customer and its branches have open, oldest first. */
  public List<OpenItemEntity> openOfFamily(Long customerId) {
    return items.openOf(family(customerId));
  }

  /** What stands open on the customer's own account, oldest first. */
  public List<OpenItemEntity> openOf(Long customerId) {
    return items.openOf(List.of(customerId));
  }

  /** A customer and those it pays for. */
  public List<Long> family(Long customerId) {
    var family = new ArrayList<Long>(List.of(customerId));
    customers.findByParentIdOrderByName(customerId).forEach(b -> family.add(b.id()));
    return family;
  }

  public List<OpenItemEntity> withBalance(Long companyId, Money balance, int most) {
    return items.withBalance(
        companyId,
        balance.getCurrencyUnit().getCode(),
        balance.getAmountMinorLong(),
        Limit.of(most));
  }

  public List<OpenItemEntity> named(Long companyId, Collection<String> words) {
    return words.isEmpty() ? List.of() : items.named(companyId, words);
  }

  /** Open items whose number ends with these figures; no more than a few. */
  public List<OpenItemEntity> openEnding(Long companyId, String figures) {
    return items.openEnding(companyId, figures, Limit.of(2));
  }

  public boolean hasItem(Long companyId, String number) {
    return items.existsByCompanyIdAndNumber(companyId, number);
  }

  /** Keeps an invoice that was written here, with the tax its total contains. */
  @Transactional
  public OpenItemEntity add(Invoice invoice, Money tax) {
    var row = new OpenItemEntity(invoice, null);
    row.contains(tax);
    return kept(row);
  }
}
