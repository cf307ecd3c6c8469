package org.sumbrel.server.durability;

import jakarta.persistence.EntityManagerFactory;
import javax.sql.DataSource;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.autoconfigure.transaction.TransactionManagerCustomizers;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionOperations;
import org.springframework.transaction.support.TransactionTemplate;

/** Which transactions wait for the disk: all but those that note when a session was used last. */
@Configuration(proxyBeanMethods = false)
class DurabilitySettings {

  @Bean
  DurableTransactions transactionManager(
      EntityManagerFactory entities,
      CommittedChanges changes,
      ObjectProvider<TransactionManagerCustomizers> customizers) {
    var transactions = new DurableTransactions(changes);
    transactions.setEntityManagerFactory(entities);
    customizers.ifAvailable(c -> c.customize(transactions));
    return transactions;
  }

  @Bean
  @Primary
  TransactionTemplate transactionTemplate(DurableTransactions transactions) {
    return new TransactionTemplate(transactions);
  }

  /**
   * Every call notes that its session was used, which may be lost; sign-out is forced by {@link
   * DurableSessions}.
   */
  @Bean
  TransactionOperations springSessionTransactionOperations(DataSource dataSource) {
    var transaction = new TransactionTemplate(new JdbcTransactionManager(dataSource));
    transaction.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    return transaction;
  }
}
