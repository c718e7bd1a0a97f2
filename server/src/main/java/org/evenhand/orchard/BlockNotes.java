package org.evenhand.orchard;

import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.bloom.season.HandPollinationNeed;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;

/** What the grower knows of each block. */
@Service
public class BlockNotes {
    private final BlockNoteRepository notes;
    private final Orchards orchards;
    private final IdempotentWriter once;
    private final ApplicationEventPublisher events;

    BlockNotes(BlockNoteRepository notes, Orchards orchards, IdempotentWriter once, ApplicationEventPublisher events) {
        this.notes = notes;
        this.orchards = orchards;
        this.once = once;
        this.events = events;
    }

    /** By the block's name. */
    public Map<String, BlockNoteView> of(Caller caller) {
        return notes.findByOrchardIdAndVoidedAtIsNull(caller.orchardId()).stream()
                .map(BlockNote::view)
                .collect(Collectors.toMap(BlockNoteView::block, Function.identity()));
    }

    public void put(Caller caller, UUID id, BlockNoteRequest request) {
        String block = Given.stripped(request.block());
        // Checked by the same rules that will reckon with it.
        new HandPollinationNeed.Block(
                Optional.empty(), Optional.ofNullable(request.seaKm()), request.insects(), request.indoors(), 0);
        check(request.typicalMinimumC(), request.typicalMaximumC());
        once.write(
                notes,
                caller,
                id,
                found -> {
                    if (request.version() != null) {
                        found.requireVersion("block", request.version());
                        found.change(request);
                    }
                    return saved(found);
                },
                () -> {
                    BlockNote note = new BlockNote(
                            id,
                            caller,
                            orchards.now(caller),
                            orchards.details(caller).site().zone(),
                            block);
                    note.change(request);
                    return saved(note);
                });
    }

    private UUID saved(BlockNote note) {
        notes.saveAndFlush(note);
        events.publishEvent(new BlockChanged(note.orchardId()));
        return note.id();
    }

    private static void check(Double minimumC, Double maximumC) {
        if ((minimumC == null) != (maximumC == null)) {
            throw new InvalidInputException("typicalMinimumC", "and highest belong together: give both or neither.");
        }
        if (minimumC != null) {
            try {
                new DailyTemperatures(minimumC, maximumC);
            } catch (InvalidInputException e) {
                throw new InvalidInputException(e.problems().stream()
                        .map(p -> p.of(p.field()
                                .replace("minimumC", "typicalMinimumC")
                                .replace("maximumC", "typicalMaximumC")))
                        .toList());
            }
        }
    }
}
