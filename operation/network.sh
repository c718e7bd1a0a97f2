# Phones in the orchard's network: the address and the certificate. Read by ./even-hand.

lan_address() {
  if [ "$lan" != auto ]; then echo "$lan"; return; fi
  hostname -I 2>/dev/null | tr ' ' '\n' | grep -m1 -E '^[0-9]+(\.[0-9]+){3}$'
}

serve_the_network() {
  local place; place=$(lan_address) || fail "no address of this machine in a network was found; give it: ./even-hand start --lan 192.168.1.20"
  [[ $place =~ ^[A-Za-z0-9][A-Za-z0-9.-]*$ ]] || fail "'$place' is no address of a machine"
  make_certificate "$place"
  export EVEN_HAND_ADDRESS=0.0.0.0 EVEN_HAND_PUBLIC_ADDRESS=https://$place:$port EVEN_HAND_CERTIFICATE=$run/tls-$place.pem
  export SERVER_SSL_KEY_STORE=file:$run/tls-$place.p12 SERVER_SSL_KEY_STORE_TYPE=PKCS12 SERVER_SSL_KEY_STORE_PASSWORD
  SERVER_SSL_KEY_STORE_PASSWORD=$(password)
}

make_certificate() { # address
  local store=$run/tls-$1.p12 kind=dns
  if [[ $1 =~ ^[0-9.]+$ ]]; then kind=ip; fi
  if [ -s "$store" ]; then return; fi
  say "making a certificate for $1, good for 825 days"
  (umask 077; keytool -genkeypair -alias even-hand -keyalg EC -groupname secp256r1 -validity 825 -dname "CN=Even Hand $1" \
    -ext "san=$kind:$1,ip:127.0.0.1,dns:localhost" -ext bc:c=ca:true -ext eku=serverAuth -storetype PKCS12 -keystore "$store" \
    -storepass "$(password)") >"$run/tls.log" 2>&1 || fail "the certificate could not be made; see $run/tls.log"
  keytool -exportcert -rfc -alias even-hand -keystore "$store" -storepass "$(password)" 2>/dev/null >"$run/tls-$1.pem"
}

tell_certificate() {
  echo "  certificate  SHA-256 $(keytool -printcert -file "$EVEN_HAND_CERTIFICATE" 2>/dev/null | sed -n 's/.*SHA256: //p' | head -1)"
  echo "               phones trust it once; the page Orchard, Phones says how"
}
