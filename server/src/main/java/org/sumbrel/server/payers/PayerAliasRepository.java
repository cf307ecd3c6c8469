package org.sumbrel.server.payers;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface PayerAliasRepository extends JpaRepository<PayerAliasEntity, Long> {

  List<PayerAliasEntity> findByCompanyIdAndForgottenAtIsNullOrderById(Long companyId);

  List<PayerAliasEntity> findByCompanyIdAndCustomerIdAndForgottenAtIsNullOrderById(
      Long companyId, Long customerId);

  List<PayerAliasEntity> findBySettlementIdAndForgottenAtIsNull(Long settlementId);
}
