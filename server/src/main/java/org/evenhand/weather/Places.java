package org.evenhand.weather;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.orchard.BlockNoteView;

/** Which blocks of an orchard have an air of their own: those under cover, and those with a station, a file, a forecast or a typical day. */
public final class Places {
    /** The orchard's own air, for every block that has none. */
    public static final String ORCHARD = "";

    private final Map<String, BlockNoteView> own = new HashMap<>();

    Places(Map<String, BlockNoteView> notes, Set<String> recorded) {
        notes.forEach((block, note) -> {
            if (!block.isEmpty() && (note.indoors() || note.usual().isPresent())) {
                own.put(block, note);
            }
        });
        recorded.forEach(block -> own.computeIfAbsent(block, notes::get));
        recorded.forEach(block -> own.putIfAbsent(block, null));
    }

    /** The block itself where it has an air of its own; else {@link #ORCHARD}. */
    public String of(String block) {
        return own.containsKey(block) ? block : ORCHARD;
    }

    public boolean hasOwn(String block) {
        return own.containsKey(block);
    }

    boolean underCover(String place) {
        return Optional.ofNullable(own.get(place)).map(BlockNoteView::indoors).orElse(false);
    }

    Optional<DailyTemperatures> usual(String place) {
        return Optional.ofNullable(own.get(place)).flatMap(BlockNoteView::usual);
    }
}
