package org.evenhand.kit;

import jakarta.validation.ConstraintViolation;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.List;
import org.evenhand.core.FieldProblem;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Text;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.springframework.web.util.DisconnectedClientHelper;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.exc.InvalidNullException;

/** Tells every refusal as a problem detail (RFC 9457): what is wrong, in which field, and what to do. */
@RestControllerAdvice
class ProblemAdvice extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);
    /** Characters of what was sent that a refusal says again. */
    private static final int MOST_REPEATED = 60;

    @ExceptionHandler
    ProblemDetail invalid(InvalidInputException e) {
        return fields(e.problems());
    }

    @ExceptionHandler
    ProblemDetail notFound(NotFoundException e) {
        return said(HttpStatus.NOT_FOUND, "not-found", "Not found", e.text());
    }

    @ExceptionHandler
    ProblemDetail notAllowed(NotAllowedException e) {
        return said(HttpStatus.FORBIDDEN, "forbidden", "Not for your role", e.text());
    }

    @ExceptionHandler
    ProblemDetail conflict(ConflictException e) {
        return said(HttpStatus.CONFLICT, "conflict", "Changed in between", e.text());
    }

    @ExceptionHandler
    ProblemDetail stale(OptimisticLockingFailureException e) {
        return conflict(ConflictException.stale("record"));
    }

    @ExceptionHandler
    ProblemDetail question(QuestionException e) {
        ProblemDetail problem =
                Problems.problem(HttpStatus.CONFLICT, "please-confirm", "Please confirm", e.getMessage());
        e.text().ifPresent(text -> problem.setProperty("text", text));
        problem.setProperty("confirm", e.key());
        return problem;
    }

    /** A rule of the database that the program did not catch first: still no crash, and nothing was written. */
    @ExceptionHandler
    ProblemDetail integrity(DataIntegrityViolationException e) {
        LOG.warn("A constraint of the database refused a write", e);
        return said(HttpStatus.CONFLICT, "conflict", "Not saved", Text.of("conflict.not-fitting"));
    }

    @ExceptionHandler
    ProblemDetail wrongType(MethodArgumentTypeMismatchException e) {
        String value = String.valueOf(e.getValue());
        return fields(List.of(new FieldProblem(
                e.getName(),
                "is '" + value.substring(0, Math.min(value.length(), MOST_REPEATED)) + "', which cannot be read.")));
    }

    @ExceptionHandler
    ResponseEntity<Object> notReadToItsEnd(BodyRefused e) {
        return refusedBody(e);
    }

    private static ResponseEntity<Object> refusedBody(BodyRefused e) {
        // What is still on its way is not waited for.
        return ResponseEntity.status(e.status())
                .header(HttpHeaders.CONNECTION, "close")
                .body(Problems.problem(e.status(), "body", "Not read", e.getMessage()));
    }

    /** No operation takes forms in parts. */
    @ExceptionHandler
    ProblemDetail parts(MultipartException e) {
        return Problems.problem(
                HttpStatus.UNSUPPORTED_MEDIA_TYPE, "invalid", "Not this kind", "Send JSON, not a form in parts.");
    }

    @ExceptionHandler
    ResponseEntity<Object> busy(Turns.BusyException e) {
        return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE)
                .header(HttpHeaders.RETRY_AFTER, "10")
                .body(said(HttpStatus.SERVICE_UNAVAILABLE, "busy", "Busy just now", Text.of("problem.busy")));
    }

    @ExceptionHandler
    ProblemDetail unexpected(Exception e) throws Exception {
        if (e instanceof org.springframework.security.access.AccessDeniedException
                || e instanceof org.springframework.security.core.AuthenticationException
                // Answered where it is found out on any way.
                || DatabaseAway.is(e)) {
            throw e;
        }
        if (DisconnectedClientHelper.isClientDisconnectedException(e)) {
            LOG.info("A sender hung up before all arrived; what arrived is dropped.");
            return null;
        }
        String number = RequestNumber.now();
        LOG.error("Unexpected failure {}", number, e);
        return said(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "unexpected",
                "Something went wrong here",
                Text.of("problem.unexpected", "number", number));
    }

    /** Every field that cannot be, not only the first. */
    @Override
    protected ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        List<FieldProblem> problems = e.getFieldErrors().stream()
                .map(f -> Constraints.problem(f.getField(), f.unwrap(ConstraintViolation.class)))
                .sorted(Comparator.comparing(FieldProblem::field))
                .toList();
        return ResponseEntity.badRequest().body(fields(problems));
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        for (Throwable t = e; t != null; t = t.getCause()) {
            if (t instanceof BodyRefused refused) {
                return refusedBody(refused);
            }
        }
        return ResponseEntity.badRequest().body(fields(List.of(unreadable(e.getCause()))));
    }

    private static FieldProblem unreadable(Throwable cause) {
        if (cause instanceof DatabindException e && !e.getPath().isEmpty()) {
            StringBuilder field = new StringBuilder();
            for (JacksonException.Reference step : e.getPath()) {
                if (step.getPropertyName() == null) {
                    field.append('[').append(step.getIndex()).append(']');
                } else {
                    field.append(field.isEmpty() ? "" : ".").append(step.getPropertyName());
                }
            }
            if (e instanceof InvalidNullException) {
                return Refusal.problem(field.toString(), Given.MISSING);
            }
            return new FieldProblem(
                    field.toString(),
                    e.getCause() instanceof InvalidInputException bounds
                            ? bounds.problems().get(0).message()
                            : "cannot be read; check that it is of the right kind.");
        }
        return new FieldProblem("(request)", "is not readable JSON.");
    }

    private static ProblemDetail fields(List<FieldProblem> problems) {
        ProblemDetail problem = Problems.problem(
                HttpStatus.BAD_REQUEST,
                "invalid",
                "Please check this",
                problems.size() == 1
                        ? problems.get(0).field() + " " + problems.get(0).message()
                        : problems.size() + " fields need to be checked.");
        problem.setProperty("errors", problems);
        return problem;
    }

    /** A problem whose detail has its words in every language. */
    private static ProblemDetail said(HttpStatus status, String type, String title, Text text) {
        ProblemDetail problem = Problems.problem(
                status, type, title, Messages.english(ZoneOffset.UTC).say(text));
        problem.setProperty("text", text);
        return problem;
    }
}
