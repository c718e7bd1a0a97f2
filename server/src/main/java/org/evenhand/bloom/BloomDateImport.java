package org.evenhand.bloom;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.ImportKind;
import org.evenhand.kit.ImportRow;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.VarietyView;
import org.springframework.stereotype.Component;

/** Days of bloom out of a file, known by variety and year. */
@Component
class BloomDateImport implements ImportKind<BloomDateRequest> {
    private final BloomDiary diary;
    private final Orchards orchards;

    BloomDateImport(BloomDiary diary, Orchards orchards) {
        this.diary = diary;
        this.orchards = orchards;
    }

    @Override
    public String key() {
        return "bloom-dates";
    }

    @Override
    public List<Column> columns(Caller caller) {
        return List.of(
                Column.needed("variety", "varietyId", Holds.TEXT, "Name of the variety.", "cultivar", "variedad"),
                Column.needed("year", "year", Holds.WHOLE_NUMBER, "The year.", "año", "season"),
                Column.optional("leaf_out", "leafOut", Holds.DAY, "First leaves.", "leaves"),
                Column.optional("first_bloom", "firstBloom", Holds.DAY, "First flowers open.", "start", "first"),
                Column.optional("full_bloom", "fullBloom", Holds.DAY, "Most flowers open.", "full"),
                Column.optional("last_bloom", "lastBloom", Holds.DAY, "Last flowers open.", "end", "last"));
    }

    @Override
    public Class<BloomDateRequest> requestType() {
        return BloomDateRequest.class;
    }

    @Override
    public Session<BloomDateRequest> begin(Caller caller, Set<String> confirmed) {
        Map<Season, Existing<BloomDateRequest>> there = new HashMap<>();
        diary.all(caller)
                .forEach(d -> there.put(
                        new Season(d.varietyId(), d.year()),
                        new Existing<>(
                                d.id(),
                                d.version(),
                                new BloomDateRequest(
                                        d.varietyId(),
                                        d.year(),
                                        d.leafOut(),
                                        d.firstBloom(),
                                        d.fullBloom(),
                                        d.lastBloom(),
                                        null))));
        return new Reading(there, ImportRow.byName(orchards.varieties(caller), VarietyView::name));
    }

    private record Season(UUID variety, Integer year) {}

    private record Reading(Map<Season, Existing<BloomDateRequest>> there, Map<String, VarietyView> varieties)
            implements Session<BloomDateRequest> {
        @Override
        public Line<BloomDateRequest> read(ImportRow row) {
            UUID variety = row.named("variety", varieties, "variety").id();
            Integer year = Given.required("year", row.wholeOr("year", null));
            Existing<BloomDateRequest> found = there.get(new Season(variety, year));
            return Line.of(
                    new BloomDateRequest(
                            variety,
                            year,
                            row.dayOr("leaf_out", known(found, BloomDateRequest::leafOut)),
                            row.dayOr("first_bloom", known(found, BloomDateRequest::firstBloom)),
                            row.dayOr("full_bloom", known(found, BloomDateRequest::fullBloom)),
                            row.dayOr("last_bloom", known(found, BloomDateRequest::lastBloom)),
                            null),
                    found);
        }

        private static LocalDate known(Existing<BloomDateRequest> found, Function<BloomDateRequest, LocalDate> day) {
            return found == null ? null : day.apply(found.request());
        }

        @Override
        public void written(BloomDateRequest request, UUID id) {
            there.put(new Season(request.varietyId(), request.year()), new Existing<>(id, 0, request));
        }
    }

    @Override
    public void write(Caller caller, UUID id, BloomDateRequest r, Long version) {
        diary.put(
                caller,
                id,
                new BloomDateRequest(
                        r.varietyId(), r.year(), r.leafOut(), r.firstBloom(), r.fullBloom(), r.lastBloom(), version));
    }

    @Override
    public long version(Caller caller, UUID id) {
        return diary.version(caller, id);
    }

    @Override
    public void remove(Caller caller, UUID id, VoidRequest request) {
        diary.voidDate(caller, id, request);
    }
}
