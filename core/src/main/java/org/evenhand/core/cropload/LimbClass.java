package org.evenhand.core.cropload;

/** Where on the tree a flower sits; common practice prefers trunk and stout wood. */
public enum LimbClass {
    TRUNK,
    STOUT,
    TWIG,
    BRANCH_END
}
