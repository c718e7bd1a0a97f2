package org.evenhand;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.scheduling.annotation.EnableScheduling;

/** Even Hand: one package for each step of the grower's job; docs/ARCHITECTURE.md shows the way through them. */
@SpringBootApplication
@ConfigurationPropertiesScan
@EnableScheduling
public class EvenHandApplication {
    public static void main(String[] args) {
        SpringApplication.run(EvenHandApplication.class, args);
    }
}
