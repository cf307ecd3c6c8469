package org.sumbrel.server.customers;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.OpenItem;
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

  Customers(CustomerRepository customers, OpenItemRepository items) {
    this.customers = customers;
    this.items = items;
  }

  public List<Customer> all(Long companyId) {
    return customers.findByCompanyId(companyId).stream().map(CustomerEntity::toCustomer).toList();
  }

  public List<OpenItemEntity> itemsOf(Long companyId) {
    return items.findByCompanyId(companyId);
  }

  /** The items with these ids; every one of them is there, else {@link NotThere}. */
  public Map<Long, OpenItemEntity> items(Collection<Long> ids) {
    var found =
        items.findAllById(ids).stream()
            .collect(Collectors.toMap(OpenItemEntity::id, Function.identity()));
    for (var id : ids) {
      if (!found.containsKey(id)) {
        throw new NotThere("open item", id);
      }
    }
    return found;
  }

  /** The customer, where it is one of the company's. */
  public CustomerEntity customer(Long companyId, Long id) {
    return customers
        .findById(id)
        .filter(c -> c.companyId().equals(companyId))
        .orElseThrow(() -> new NotThere("customer", id));
  }

  /** Names by id, for lists. */
  public Map<Long, String> names(Collection<Long> ids) {
    return customers.findAllById(ids).stream()
        .collect(Collectors.toMap(CustomerEntity::id, CustomerEntity::name));
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
    return numbers.isEmpty() ? List.of() : items.findByCompanyIdAndNumberIn(companyId, numbers);
  }

  @Transactional
  public CustomerEntity add(Long companyId, String number, String name) {
    return customers.save(new CustomerEntity(companyId, number, name));
  }

  @Transactional
  public void update(CustomerEntity customer, String name, List<String> moreAccounts) {
    customer.update(name, moreAccounts);
  }

  @Transactional
  public void paidBy(CustomerEntity customer, CustomerEntity parent) {
    customer.paidBy(parent.id());
  }

  /** Sets a customer so that money without a word is applied down its due dates. */
  @Transactional
  public void payOldestFirst(Long companyId, String number) {
    numbered(companyId, number)
        .orElseThrow(() -> new NotThere("customer", number))
        .payOldestFirst();
  }

  @Transactional
  public OpenItemEntity add(OpenItem item, Long intakeId) {
    return items.save(new OpenItemEntity(item, intakeId));
  }

  @Transactional
  public List<OpenItemEntity> addAll(Collection<? extends OpenItem> fresh, Long intakeId) {
    return items.saveAll(fresh.stream().map(i -> new OpenItemEntity(i, intakeId)).toList());
  }
}
