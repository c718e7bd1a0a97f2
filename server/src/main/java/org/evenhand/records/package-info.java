/**
 * Records in and out of files. {@code RecordTables} knows what each table is called outside; {@code PackageExport} and
 * {@code PackageImport} take a whole orchard out and in; {@code Imports} reads files a line a record by the rules of the rooms;
 * {@code BulkImports} takes pollinations and checks by the million.
 */
@ApplicationModule(displayName = "Records")
package org.evenhand.records;

import org.springframework.modulith.ApplicationModule;
