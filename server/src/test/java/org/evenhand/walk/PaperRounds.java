package org.evenhand.walk;

import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.evenhand.core.Text;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.kit.Messages;
import org.evenhand.planning.RoundView;

/** Makes rounds on paper of any length. */
public final class PaperRounds {
    private PaperRounds() {}

    public static byte[] of(int stops, String treeName) {
        return new PaperRound(
                        "A long round",
                        IntStream.rangeClosed(1, stops)
                                .mapToObj(i -> stop(i, treeName))
                                .toList(),
                        java.util.Collections.nCopies(stops, "3 open"),
                        CropSheets.shipped().find("dragon-fruit").orElseThrow().cautions(),
                        Messages.english(ZoneId.of("Pacific/Auckland")))
                .pdf();
    }

    private static RoundView.StopView stop(int i, String treeName) {
        return new RoundView.StopView(
                new UUID(1, i),
                treeName,
                "Variety",
                "dragon-fruit",
                "Wall",
                1,
                i,
                new UUID(2, i),
                "J-" + i,
                "Father",
                3,
                List.of(new RoundView.StageFlowers("open", 3, 1)),
                2.5,
                0.8,
                "Another variety.",
                List.of(Text.sheet("Gently.")),
                i % 7 == 0 ? List.of("Wipe the brush.") : List.of(),
                CrossProtocol.Step.POLLINATE,
                false,
                null,
                List.of(),
                List.of(),
                null,
                List.of(),
                null,
                false,
                null);
    }
}
