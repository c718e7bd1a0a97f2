package org.evenhand.photo;

import java.time.ZoneId;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.availability.Settings;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Text;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.CleanPicture;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Pictures of readings and checks, drawn anew without what the camera wrote beside them. */
@Service
class RecordPhotos {
    private final RecordPhotoRepository photos;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final Settings settings;
    private final IdempotentWriter once;
    private final JdbcTemplate jdbc;

    RecordPhotos(
            RecordPhotoRepository photos,
            Orchards orchards,
            CropCatalogue crops,
            Settings settings,
            IdempotentWriter once,
            JdbcTemplate jdbc) {
        this.photos = photos;
        this.orchards = orchards;
        this.crops = crops;
        this.settings = settings;
        this.once = once;
        this.jdbc = jdbc;
    }

    /** Keeps a picture; the same under its id once more is there once. */
    public UUID put(Caller caller, UUID id, PhotoRequest request) {
        TreeView tree = orchards.tree(caller, treeOf(caller, request));
        requireStage(caller, tree, request.stage());
        return once.write(
                photos,
                caller,
                id,
                found -> {
                    if (!found.recordId().equals(request.recordId())) {
                        throw new ConflictException(Text.of("conflict.picture"));
                    }
                    return found.id();
                },
                () -> photos.saveAndFlush(new RecordPhoto(
                                id, caller, orchards.now(caller), zone(caller), tree.id(), cleaned(caller, request)))
                        .id());
    }

    private UUID treeOf(Caller caller, PhotoRequest request) {
        return jdbc
                .queryForList(
                        "select tree_id from story_line where orchard_id = ? and kind = ? and id = ? and voided_at is null",
                        UUID.class,
                        caller.orchardId(),
                        request.of().kind(),
                        request.recordId())
                .stream()
                .findFirst()
                .orElseThrow(() -> new NotFoundException(request.of().kind(), request.recordId()));
    }

    private void requireStage(Caller caller, TreeView tree, String stage) {
        boolean known = stage == null
                || crops.of(caller, tree.crop()).stages().stream()
                        .anyMatch(s -> s.key().equals(stage));
        if (!known) {
            throw new InvalidInputException("stage", "is '" + stage + "', which is no stage of this crop.");
        }
    }

    /** Where it was taken is dropped unless the orchard wants it kept. */
    private PhotoRequest cleaned(Caller caller, PhotoRequest r) {
        boolean placed = r.latitude() != null
                && r.longitude() != null
                && settings.of(caller).keepPhotoPlace();
        return new PhotoRequest(
                r.of(),
                r.recordId(),
                r.stage(),
                Given.notInFuture("at", r.at(), orchards.now(caller), zone(caller)),
                CleanPicture.of(r.data()),
                placed ? r.latitude() : null,
                placed ? r.longitude() : null);
    }

    @Transactional(readOnly = true)
    public byte[] jpeg(Caller caller, UUID id) {
        return photos.current(caller, id).jpeg();
    }

    @Transactional
    public void remove(Caller caller, UUID id, VoidRequest request) {
        photos.voidOnce(caller, id, request, orchards.now(caller));
    }

    @Transactional
    public void restore(Caller caller, UUID id, Long version) {
        photos.restoreOnce(caller, id, version, photo -> {});
    }

    /** How each stage looked: the latest picture on this tree, else on another of its variety. */
    @Transactional(readOnly = true)
    public List<PhotoView> stages(Caller caller, UUID treeId) {
        TreeView tree = orchards.tree(caller, treeId);
        Map<UUID, TreeView> kin = orchards.trees(caller).stream()
                .filter(t -> t.varietyId().equals(tree.varietyId()))
                .collect(Collectors.toMap(TreeView::id, Function.identity()));
        Map<String, PhotoView> byStage = new LinkedHashMap<>();
        photos.ofStages(caller.orchardId(), List.copyOf(kin.keySet())).stream()
                .sorted(Comparator.comparing(p -> !p.getTreeId().equals(treeId)))
                .forEach(p -> byStage.putIfAbsent(
                        p.getStage(),
                        new PhotoView(
                                p.getId(),
                                p.getTreeId(),
                                kin.get(p.getTreeId()).name(),
                                p.getStage(),
                                p.getTakenAt())));
        return List.copyOf(byStage.values());
    }

    private ZoneId zone(Caller caller) {
        return orchards.details(caller).site().zone();
    }
}
