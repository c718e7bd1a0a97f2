/** Which stage is this? {@link org.evenhand.core.bloom.key.StageKey} names it from what one sees, and asks what tells most next. */
@NullMarked
package org.evenhand.core.bloom.key;

import org.jspecify.annotations.NullMarked;
