# A release: one archive that needs PostgreSQL and nothing else. Read by ./even-hand.

# What the application uses of the platform; others are left out of the runtime that ships.
runtime_modules=java.se,jdk.unsupported,jdk.crypto.ec,jdk.localedata,jdk.zipfs,jdk.management,jdk.net,jdk.naming.dns,jdk.charsets

package() {
  need_tools; build
  local version name place
  version=$(unzip -p "$jar" META-INF/MANIFEST.MF 2>/dev/null | tr -d '\r' | sed -n 's/^Implementation-Version: //p')
  name=even-hand-${version:-0}; place=$run/release/$name
  rm -rf "$run/release"; mkdir -p "$place"
  say "making the runtime"
  jlink --add-modules "$runtime_modules" --strip-debug --no-header-files --no-man-pages --compress=2 --output "$place/runtime" ||
    fail "the runtime could not be made; is the whole JDK there (jmods)?"
  # What starts faster by it: the platform's own classes, read at once.
  "$place/runtime/bin/java" -Xshare:dump >>"$run/build.log" 2>&1 || fail "the runtime does not run; see $run/build.log"
  cp -r "$unpacked" "$place/app"
  newest_schema >"$place/app/schema"
  cp "$home/even-hand" "$place/"; cp -r "$home/operation" "$place/"; rm "$place/operation/release.sh"
  cp "$home/docs/OPERATION.md" "$place/"
  tar -C "$run/release" -czf "$run/$name.tar.gz" "$name"
  rm -rf "$run/release"
  say "the release is $run/$name.tar.gz ($(du -h "$run/$name.tar.gz" | cut -f1)); unpack it, and start it with ./even-hand start"
}
