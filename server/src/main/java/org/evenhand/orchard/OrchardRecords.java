package org.evenhand.orchard;

import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.ExportedFile;
import org.evenhand.kit.RecordKind;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Records of this room that can be mended. */
@Configuration(proxyBeanMethods = false)
class OrchardRecords {
    @Bean
    RecordKind treeKind(Orchards orchards, TreeCare care) {
        return new RecordKind("tree", Tree.class, care::recordsOf, orchards::voidTree, orchards::restoreTree);
    }

    @Bean
    RecordKind varietyKind(Orchards orchards, TreeCare care) {
        return new RecordKind("variety", Variety.class, care::namedBy, orchards::voidVariety, care::restoreVariety);
    }

    /** The crop sheets of the varieties that are grown. */
    @Bean
    ExportedFile.Of cropSheetFiles(Orchards orchards, CropCatalogue crops) {
        return caller -> orchards.varieties(caller).stream()
                .map(VarietyView::crop)
                .map(key -> crops.of(caller, key).crop())
                .distinct()
                .sorted()
                .map(crop -> new ExportedFile(
                        "crop-sheets/" + crop + ".yaml",
                        "application/yaml",
                        "The crop sheet of " + crop
                                + ", without the orchard's own numbers, which are in crop-numbers.csv.",
                        crops.file(caller, crop)))
                .toList();
    }
}
