package org.evenhand.bloom;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.evenhand.core.bloom.key.StageKey;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.Orchards;
import org.springframework.stereotype.Service;

/** "What am I looking at?" */
@Service
class StageKeys {
    private final CropCatalogue crops;
    private final Forecasts forecasts;
    private final Orchards orchards;

    StageKeys(CropCatalogue crops, Forecasts forecasts, Orchards orchards) {
        this.crops = crops;
        this.forecasts = forecasts;
        this.orchards = orchards;
    }

    /** Answers so far, by sign; {@code anyHour} leaves out what is typical at this hour. */
    @Schema(name = "StageKeyRequest")
    record Request(
            @NotBlank @Size(max = 60) String crop, @NotNull Map<String, String> answers, boolean anyHour) {}

    /** The chance of each stage, the question that would tell most next, and mistakes to beware of. */
    @Schema(name = "StageKeyAnswer")
    record Answer(
            List<Chance> stages,
            @Schema(description = OPTIONAL) String nextSign,
            @Schema(description = OPTIONAL) Double bits,
            List<String> beware) {}

    @Schema(name = "StageChance")
    record Chance(String stage, double chance, double usual) {}

    Answer answer(Caller caller, Request request) {
        CropSheet sheet = crops.require(caller, "crop", request.crop());
        double[] usual = new double[sheet.stages().size()];
        Arrays.fill(usual, 1.0 / usual.length);
        if (!request.anyHour()) {
            usual = forecasts.usualShares(caller, sheet, orchards.now(caller));
        }
        double[] prior = usual;
        StageKey key = StageKey.of(sheet, usual, request.answers());
        return new Answer(
                IntStream.range(0, prior.length)
                        .mapToObj(s -> new Chance(
                                sheet.stages().get(s).key(), key.chances().get(s), prior[s]))
                        .toList(),
                key.next().map(StageKey.Question::sign).orElse(null),
                key.next().map(StageKey.Question::bits).orElse(null),
                key.mistakes().stream().map(m -> m.say()).toList());
    }
}
