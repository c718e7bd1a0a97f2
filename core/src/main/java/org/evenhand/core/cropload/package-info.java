/** How much fruit a tree can carry, and how many flowers that takes. */
package org.evenhand.core.cropload;
