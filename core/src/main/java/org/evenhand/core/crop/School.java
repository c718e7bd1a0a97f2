package org.evenhand.core.crop;

/**
 * A question on which growers differ.
 *
 * @param question what is asked
 * @param one what one school does
 * @param other what the other does
 * @param ours what Even Hand takes until told otherwise
 * @param why the reason for it
 */
public record School(String question, String one, String other, String ours, String why) {}
