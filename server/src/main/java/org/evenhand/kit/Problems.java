package org.evenhand.kit;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import tools.jackson.databind.json.JsonMapper;

/** Problem details (RFC 9457), also where no controller is reached. */
public final class Problems {
    private Problems() {}

    static ProblemDetail problem(HttpStatus status, String type, String title, String detail) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
        problem.setType(URI.create("urn:even-hand:problem:" + type));
        problem.setTitle(title);
        return problem;
    }

    /** Answers with a problem, where nothing was answered yet. */
    public static void write(
            JsonMapper json, HttpServletResponse response, HttpStatus status, String type, String title, String detail)
            throws IOException {
        if (response.isCommitted()) {
            return;
        }
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getOutputStream().write(json.writeValueAsBytes(problem(status, type, title, detail)));
    }
}
