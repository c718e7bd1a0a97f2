package org.evenhand;

import java.util.Arrays;
import org.evenhand.weather.StationStandIn;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.scheduling.annotation.EnableScheduling;

/** Even Hand: one package for each step of the grower's job; docs/ARCHITECTURE.md shows the way through them. */
@SpringBootApplication
@ConfigurationPropertiesScan
@EnableScheduling
public class EvenHandApplication {
    /** Starts the server; with {@code station} first, the stand-in of a weather station instead. */
    public static void main(String[] args) throws Exception {
        if (args.length > 0 && args[0].equals("station")) {
            StationStandIn.main(Arrays.copyOfRange(args, 1, args.length));
            return;
        }
        SpringApplication.run(EvenHandApplication.class, args);
    }
}
