package org.evenhand.account;

import java.util.function.Consumer;
import org.evenhand.kit.DatabaseAway;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.TransactionStatus;
import org.springframework.transaction.support.TransactionOperations;
import org.springframework.transaction.support.TransactionTemplate;

/** That a session was used a moment ago is written when it can be: where the database takes nothing, people read on. */
@Configuration(proxyBeanMethods = false)
class SessionWrites {
    @Bean
    TransactionOperations springSessionTransactionOperations(PlatformTransactionManager transactions) {
        TransactionTemplate template = new TransactionTemplate(transactions) {
            private static final long serialVersionUID = 1;

            @Override
            public void executeWithoutResult(Consumer<TransactionStatus> action) {
                try {
                    super.executeWithoutResult(action);
                } catch (RuntimeException e) {
                    if (!DatabaseAway.is(e)) {
                        throw e;
                    }
                }
            }
        };
        template.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
        return template;
    }
}
