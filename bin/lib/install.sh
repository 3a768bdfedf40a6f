# Installs what is missing: Debian's packages, then Composer's and npm's, then the built front end.

DEBIAN_NEEDED="php8.2-cli php8.2-fpm php8.2-pgsql php8.2-gd php8.2-intl php8.2-mbstring php8.2-xml php8.2-zip"
DEBIAN_NEEDED="$DEBIAN_NEEDED php8.2-curl php8.2-apcu php-league-config composer nginx-light postgresql-15 nodejs npm"
DEBIAN_NEEDED="$DEBIAN_NEEDED unzip curl"
DEBIAN_FOR_TESTS="php8.2-sqlite3 chromium chromium-driver file"

has_package() {
    case "$1" in
        nodejs) command -v node >/dev/null ;;
        npm) command -v npm >/dev/null ;;
        composer) command -v composer >/dev/null ;;
        nginx-light) command -v nginx >/dev/null || [ -x /usr/sbin/nginx ] ;;
        *) dpkg-query -W -f='${Status}' "$1" 2>/dev/null | grep -q 'ok installed' ;;
    esac
}

install_debian() {
    local missing="" package
    for package in "$@"; do has_package "$package" || missing="$missing $package"; done
    [ -n "$missing" ] || return 0
    command -v apt-get >/dev/null || fail "These Debian packages are missing:$missing." \
        "This machine has no apt-get; install them in its own way, then run this again."
    is_root || fail "These Debian packages are missing:$missing. You are not root: have them installed once with
    sudo apt-get install$missing
then run this again; nothing else here needs root."
    # Services that come along shall not start by themselves; Wellspring starts its own.
    local policy=/usr/sbin/policy-rc.d made=""
    if [ ! -e "$policy" ]; then printf '#!/bin/sh\nexit 101\n' > "$policy" && chmod 755 "$policy" && made=1; fi
    local done=0
    during "Installing from Debian:$missing" apt_install $missing || done=$?
    [ -z "$made" ] || rm -f "$policy"
    [ "$done" = 0 ] || fail "Debian's packages could not be installed; $VAR/log/apt.log says why." \
        "Without a network, install them from a medium you have:$missing"
}

apt_install() {
    {
        apt-get update -q && DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends "$@"
    } > "$VAR/log/apt.log" 2>&1
}

# Vite wants Node 20.19 or newer; Debian 12 brings 18, and then npm brings a newer one into var/.
ensure_node() {
    PATH="$VAR/node/node_modules/.bin:$PATH"
    local new_enough='const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||(a===20&&b>=19)?0:1)'
    if node -e "$new_enough" 2>/dev/null; then return 0; fi
    during "Bringing a newer Node into $VAR/node" \
        quietly node npm install --no-audit --no-fund --prefix "$VAR/node" node@22 \
        || fail "Node 20.19 or newer is needed and could not be fetched; $VAR/log/node.log says why." \
            "Install it by hand, or connect to the network once and run this again."
}

# Composer writes no lock file with the stand-ins of compat/: composer.pins takes its place. After a change of
# composer.json: composer update, then php bin/lib/pins.php write.
install_composer() {
    local sum; sum="$(sum_of composer.json composer.pins compat)"
    if [ -f "$ROOT/vendor/autoload.php" ] && stamp_is composer "$sum"; then check_pins; return 0; fi
    # shellcheck disable=SC2046
    COMPOSER_ALLOW_SUPERUSER=1 during "Installing the PHP packages" \
        quietly composer composer update --no-interaction --no-progress $(php "$ROOT/bin/lib/pins.php" with) \
        || fail "The PHP packages could not be fetched; $VAR/log/composer.log says why." \
            "They are needed once: connect to the network and run this again," \
            "or copy the folder vendor/ from a machine that has it."
    # Some packages come with files that only their owner may read; the web server's user must, too.
    chmod -R a+rX "$ROOT/vendor"
    check_pins
    set_stamp composer "$sum"
}

check_pins() {
    php "$ROOT/bin/lib/pins.php" check > "$VAR/log/pins.log" 2>&1 \
        || fail "The PHP packages in vendor/ are not the pinned ones: $(head -n 5 "$VAR/log/pins.log")" \
            "Remove the folder vendor/ and run this again."
}

# Fails if a package is known to be vulnerable. Says so and goes on if the registry does not answer.
check_advisories() {
    local code=0 found="$VAR/log/advisories.log"
    timeout 60 composer audit --no-interaction --format=json > "$found" 2>"$found.err" || code=$?
    if ! grep -q '"advisories"' "$found"; then
        say "PHP packages: skipped, the registry gave no advisories."
    elif [ $((code % 2)) = 1 ]; then
        cat "$found"; fail "PHP packages with known vulnerabilities are installed; see above."
    else
        say "PHP packages: no known vulnerabilities."
    fi
    code=0
    timeout 60 npm audit --audit-level=moderate --json > "$found" 2>"$found.err" || code=$?
    if ! grep -q '"auditReportVersion"' "$found"; then
        say "Packages of the front end: skipped, the registry gave no advisories."
    elif [ "$code" != 0 ]; then
        cat "$found"; fail "Packages of the front end with known vulnerabilities are installed; see above."
    else
        say "Packages of the front end: no known vulnerabilities."
    fi
}

# Both beside each other: each waits for the network most of the time.
install_packages() {
    install_npm & local npm=$!
    install_composer
    wait "$npm"
}

# Not `npm ci`: it wants every platform's binaries in the lock file, and a partial registry lacks some.
install_npm() {
    local sum; sum="$(sum_of package.json package-lock.json)"
    if [ -d "$ROOT/node_modules" ] && stamp_is npm "$sum"; then return 0; fi
    during "Installing the front end's packages" quietly npm npm install --no-save --no-audit --no-fund \
        || fail "The front end's packages could not be fetched; $VAR/log/npm.log says why." \
            "They are needed once: connect to the network and run this again," \
            "or copy the folder node_modules/ from a machine that has it."
    set_stamp npm "$sum"
}

build_front_end() {
    local from="resources vite.config.ts package-lock.json docs/formats app/Http routes"
    # shellcheck disable=SC2086
    if [ -f "$ROOT/public/build/manifest.json" ] && stamp_is build "$(sum_of $from)"; then return 0; fi
    quietly schemas php artisan wellspring:schemas --check \
        || fail "What docs/formats says of the API is not what the code does; see $VAR/log/schemas.log."
    during "Building the front end" quietly build npm run --silent build \
        || fail "The front end could not be built; see $VAR/log/build.log."
    chmod -R a+rX "$ROOT/public"
    # The build writes the types of the API, too.
    # shellcheck disable=SC2086
    set_stamp build "$(sum_of $from)"
}
