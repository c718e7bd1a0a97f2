package org.evenhand.records;

import java.io.FilterReader;
import java.io.IOException;
import java.io.Reader;

/**
 * A file on its way into the database's COPY, which takes a line of nothing but {@code \.} for the end of the file and would leave out
 * all that follows. It is no record either: the file is refused at that line.
 */
final class LinesOfFile extends FilterReader {
    /** Such a line was read. */
    static final class LoneDot extends IOException {
        private static final long serialVersionUID = 1;
        private final long line;

        LoneDot(long line) {
            super("\\. at line " + line);
            this.line = line;
        }

        long line() {
            return line;
        }
    }

    private static final String LONE = "\\.";

    /** The head is the first line. */
    private long line = 2;

    /** How many characters of this line are those of {@code \.}; -1 where it is another line. */
    private int same;

    LinesOfFile(Reader in) {
        super(in);
    }

    @Override
    public int read() throws IOException {
        char[] one = new char[1];
        return read(one, 0, 1) < 0 ? -1 : one[0];
    }

    @Override
    public int read(char[] buffer, int from, int most) throws IOException {
        int read = super.read(buffer, from, most);
        if (read < 0) {
            refuseLone();
        }
        for (int i = from; i < from + read; i++) {
            look(buffer[i]);
        }
        return read;
    }

    private void look(char c) throws IOException {
        if (c == '\n') {
            refuseLone();
            line++;
            same = 0;
        } else if (c != '\r') {
            same = same >= 0 && same < LONE.length() && c == LONE.charAt(same) ? same + 1 : -1;
        }
    }

    private void refuseLone() throws LoneDot {
        if (same == LONE.length()) {
            throw new LoneDot(line);
        }
    }
}
