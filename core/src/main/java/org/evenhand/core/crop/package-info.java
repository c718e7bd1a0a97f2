/**
 * What a species does: the crop sheet.
 *
 * <p>Read {@link org.evenhand.core.crop.CropSheet} first: its stages ({@link org.evenhand.core.crop.StageSheet}, in the order a
 * flower walks through them), how they are timed ({@link org.evenhand.core.crop.GateRule}), what its pollen is like ({@link
 * org.evenhand.core.crop.PollenTraits}) and when to look for fruit ({@link org.evenhand.core.crop.CheckDay}). Each number is a
 * {@link org.evenhand.core.crop.Sourced}: it says what it rests on. Sheets are data: {@link
 * org.evenhand.core.crop.CropSheetReader} reads and checks a YAML file, {@link org.evenhand.core.crop.CropSheets} holds those
 * that were read.
 */
@NullMarked
package org.evenhand.core.crop;

import org.jspecify.annotations.NullMarked;
