# A release: one archive that needs PostgreSQL and nothing else. Read by ./even-hand.

# What the application uses of the platform; others are left out of the runtime that ships.
runtime_modules=java.se,jdk.unsupported,jdk.crypto.ec,jdk.localedata,jdk.zipfs,jdk.management,jdk.net,jdk.naming.dns,jdk.charsets

package() { # --deb
  case ${1:-} in
    '') package_archive ;;
    --deb) package_archive; package_debian ;;
    *) fail "a release is an archive, or with --deb a Debian package as well; '$1' is not known" ;;
  esac
  rm -rf "$run/release"
}

package_archive() {
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
  say "the release is $run/$name.tar.gz ($(du -h "$run/$name.tar.gz" | cut -f1)); unpack it, and start it with ./even-hand start"
}

# The release as a package of Debian: in /opt, with a user and a service of its own.
package_debian() {
  command -v dpkg-deb >/dev/null || fail "dpkg-deb is missing; it comes with every Debian"
  local place version file root=$run/release/debian
  place=$(find "$run/release" -mindepth 1 -maxdepth 1 -name 'even-hand-*' -type d | head -1); version=${place##*/even-hand-}
  file=$run/even-hand_${version//-SNAPSHOT/~snapshot}_$(dpkg --print-architecture).deb
  mkdir -p "$root/DEBIAN" "$root/opt" "$root/lib/systemd/system"
  cp -r "$place" "$root/opt/even-hand"
  cp "$home/operation/even-hand.service" "$root/lib/systemd/system/"
  sed -e "s/@version@/${version//-SNAPSHOT/~snapshot}/" -e "s/@architecture@/$(dpkg --print-architecture)/" \
    -e "s/@size@/$(du -sk "$root/opt" | cut -f1)/" "$home/operation/debian/control" >"$root/DEBIAN/control"
  install -m 755 "$home"/operation/debian/{preinst,postinst,prerm} "$root/DEBIAN/"
  dpkg-deb --root-owner-group --build "$root" "$file" >/dev/null || fail "the package could not be made"
  say "the Debian package is $file; install it with apt-get install and its whole path"
}
