package org.evenhand.account;

import jakarta.servlet.http.HttpServletRequest;
import java.io.Serializable;
import java.util.List;
import java.util.regex.Pattern;

/**
 * Where somebody signs in from, as far as the request tells.
 *
 * @param name what browser on what, in words
 * @param address of the network it comes from
 */
record Device(String name, String address) implements Serializable {
    private static final long serialVersionUID = 1;
    private static final int LONGEST_ADDRESS = 64;

    static final Device UNKNOWN = new Device("", "");

    private record Hint(Pattern sign, String name) {}

    /** The first that fits holds: later ones name themselves like earlier ones. */
    private static final List<Hint> BROWSERS = List.of(
            new Hint(Pattern.compile("Firefox|FxiOS"), "Firefox"),
            new Hint(Pattern.compile("Edg"), "Edge"),
            new Hint(Pattern.compile("Chrome|Chromium|CriOS"), "Chrome"),
            new Hint(Pattern.compile("Safari"), "Safari"));

    private static final List<Hint> SYSTEMS = List.of(
            new Hint(Pattern.compile("Android"), "Android"),
            new Hint(Pattern.compile("iPhone|iPad"), "iOS"),
            new Hint(Pattern.compile("Windows"), "Windows"),
            new Hint(Pattern.compile("Mac OS"), "macOS"),
            new Hint(Pattern.compile("Linux|CrOS"), "Linux"));

    static Device of(HttpServletRequest request) {
        String agent = String.valueOf(request.getHeader("User-Agent"));
        String address = String.valueOf(request.getRemoteAddr());
        return new Device(
                name(agent, BROWSERS, "a program") + name(agent, SYSTEMS, "").replaceAll("^(?=.)", " on "),
                address.substring(0, Math.min(address.length(), LONGEST_ADDRESS)));
    }

    private static String name(String agent, List<Hint> hints, String otherwise) {
        return hints.stream()
                .filter(h -> h.sign().matcher(agent).find())
                .map(Hint::name)
                .findFirst()
                .orElse(otherwise);
    }
}
