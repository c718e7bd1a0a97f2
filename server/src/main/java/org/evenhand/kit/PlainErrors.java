package org.evenhand.kit;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import tools.jackson.databind.json.JsonMapper;

/** What the server refuses before any of our filters sees it, as an address with an encoded slash, is a problem detail too. */
@Configuration(proxyBeanMethods = false)
class PlainErrors {
    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> problemsOfTheServer() {
        return factory -> factory.addContextCustomizers(context -> {
            if (context.getParent() instanceof StandardHost host) {
                host.setErrorReportValveClass(ProblemValve.class.getName());
            }
        });
    }

    /** Made by Tomcat, by its name. */
    public static final class ProblemValve extends ErrorReportValve {
        private static final JsonMapper JSON = JsonMapper.shared();

        @Override
        protected void report(Request request, Response response, Throwable failure) {
            HttpStatus status = HttpStatus.resolve(response.getStatus());
            if (status == null
                    || !status.isError()
                    || response.getContentWritten() > 0
                    || !response.setErrorReported()) {
                return;
            }
            try {
                response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
                response.setCharacterEncoding(StandardCharsets.UTF_8.name());
                response.getReporter()
                        .write(JSON.writeValueAsString(Problems.problem(
                                status,
                                "not-answered",
                                status.getReasonPhrase(),
                                "Even Hand has no answer to this request.")));
                response.finishResponse();
            } catch (IOException e) {
                // Whoever asked has gone.
                container.getLogger().debug("An answer was not read", e);
            }
        }
    }
}
