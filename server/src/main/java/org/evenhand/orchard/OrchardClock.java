package org.evenhand.orchard;

import java.time.InstantSource;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The machine's clock as a bean; a demo orchard has its own moment instead, see {@link OrchardView#now()}. */
@Configuration(proxyBeanMethods = false)
class OrchardClock {
    @Bean
    InstantSource machineClock() {
        return InstantSource.system();
    }
}
