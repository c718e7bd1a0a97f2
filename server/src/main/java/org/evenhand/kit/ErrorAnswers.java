package org.evenhand.kit;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.context.annotation.Bean;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.security.web.firewall.RequestRejectedHandler;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.RequestMapping;
import tools.jackson.databind.json.JsonMapper;

/** What is refused before any operation is reached is a problem detail too. */
@Controller
class ErrorAnswers implements ErrorController {
    @RequestMapping("/error")
    ResponseEntity<ProblemDetail> error(HttpServletRequest request) {
        Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        // Whoever asks for the page of errors itself finds none.
        HttpStatus status = code instanceof Integer known ? HttpStatus.resolve(known) : HttpStatus.NOT_FOUND;
        HttpStatus told = status == null ? HttpStatus.INTERNAL_SERVER_ERROR : status;
        return ResponseEntity.status(told)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(Problems.problem(
                        told, "not-answered", told.getReasonPhrase(), "Even Hand has no answer to this request."));
    }

    /** Addresses that only try what a server would let through. */
    @Bean
    static RequestRejectedHandler rejected(JsonMapper json) {
        return (request, response, why) -> Problems.write(
                json,
                response,
                HttpStatus.BAD_REQUEST,
                "not-answered",
                "Bad request",
                "Even Hand has no answer to this address.");
    }
}
