/**
 * What the counts say: shares with their intervals ({@link org.evenhand.core.findings.Proportion}).
 */
package org.evenhand.core.findings;
