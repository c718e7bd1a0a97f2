package org.evenhand.permit;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.permit.PermitScope;
import org.evenhand.core.permit.PermitStanding;

/**
 * A permit.
 *
 * @param crop the species' page it is for; absent where it is for every crop
 * @param cropName what that is called
 * @param validUntil its last day; absent where it does not end
 * @param fileName what its paper was called; absent where there is none
 */
@Schema(name = "Permit")
public record PermitView(
        UUID id,
        String number,
        String authority,
        List<PermitScope> scopes,
        @Schema(description = OPTIONAL) String crop,
        @Schema(description = OPTIONAL) String cropName,
        LocalDate validFrom,
        @Schema(description = OPTIONAL) LocalDate validUntil,
        String conditions,
        @Schema(description = OPTIONAL) String fileName,
        long version) {

    /** All permits, the one that ends first in front, what they leave open, and the crops one can be for. */
    @Schema(name = "Permits")
    public record All(List<PermitView> permits, List<Notice> notices, List<Crop> crops) {}

    /** A species that is grown here. */
    @Schema(name = "GrownCrop")
    public record Crop(String key, String name) {}

    /**
     * Work for which a permit is missing, is not yet or no longer good, or ends soon.
     *
     * @param crops names of the species it is about; none where it is about every crop that is grown
     * @param day the day that the state is about, as {@link PermitStanding} says
     */
    @Schema(name = "PermitNotice")
    public record Notice(
            PermitScope scope,
            List<String> crops,
            PermitStanding.State state,
            @Schema(description = OPTIONAL) LocalDate day) {}
}
