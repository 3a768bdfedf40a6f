# nginx before php-fpm on loopback: what runs at hand is what runs in production.

# How many descriptors nginx may have open: what the machine allows, up to 65,536.
open_files() {
    local most; most="$(ulimit -Hn)"
    [ "$most" != unlimited ] && [ "$most" -lt 65536 ] || most=65536
    printf '%s' "$most"
}

# How many php-fpm workers there is room for: so many for each core, as far as an eighth of the memory holds them at
# 64 MB each, and never fewer than four: workers_of PER_CORE.
workers_of() {
    local wanted=$(($(nproc) * $1)) room
    room="$(awk '/^MemTotal:/ { print int($2 / 8 / 65536) }' /proc/meminfo)"
    [ "$wanted" -le "$room" ] || wanted="$room"
    [ "$wanted" -ge 4 ] || wanted=4
    printf '%s' "$wanted"
}

# .env holds this machine's secrets; it is made once.
ensure_env() {
    [ -f "$ROOT/.env" ] || (umask 077 && cat > "$ROOT/.env" <<CONF
APP_NAME=Wellspring
APP_ENV=production
APP_DEBUG=false
APP_KEY=base64:$(head -c 32 /dev/urandom | base64)
LOG_CHANNEL=lines
SESSION_DRIVER=database
CACHE_STORE=database
QUEUE_CONNECTION=database
DB_HOST=127.0.0.1
DB_PORT=54320
DB_DATABASE=wellspring
DB_USERNAME=wellspring
DB_PASSWORD=$(head -c 18 /dev/urandom | base64 | tr '+/' 'ab')
CONF
)
    sed -i 's/^QUEUE_CONNECTION=sync$/QUEUE_CONNECTION=database/; s/^LOG_CHANNEL=errorlog$/LOG_CHANNEL=lines/' \
        "$ROOT/.env"
    if [ "$WEB_USER" = www-data ]; then
        chgrp www-data "$ROOT/.env" && chmod 640 "$ROOT/.env"
        mkdir -p "$ROOT"/storage/app/{media,imports,exports}
        chown -R www-data "$ROOT/storage" "$ROOT/bootstrap/cache" "$VAR/cache"
    fi
    chmod -R o-rwx "$ROOT/storage" "$ROOT/bootstrap/cache" "$VAR/cache" "$VAR/log"
}

# start_web NAME PORT: serves the application on the port; NAME keeps the files of two servers apart.
start_web() {
    local name="$1" port="$2" dir="$VAR/run/$1" nginx; nginx="$(command -v nginx || printf /usr/sbin/nginx)"
    local fpm; fpm="$(command -v php-fpm8.2 || printf /usr/sbin/php-fpm8.2)"
    rm -rf "$dir"; mkdir -p "$dir/temp"
    local media="${MEDIA_ROOT:-$ROOT/storage/app/media}" user="" nginx_user=""
    if [ -n "$WEB_USER" ]; then
        user="user = $WEB_USER
group = $WEB_USER
listen.owner = $WEB_USER"
        nginx_user="user $WEB_USER;"
        chown -R "$WEB_USER" "$dir"
    fi
    local files; files="$(open_files)"
    # From one address: so many requests for PHP at a time, and so many a second, some more at once; of files ten times
    # as many, for a page may show a hundred.
    local at_once="${WELLSPRING_AT_ONCE:-32}" a_second="${WELLSPRING_A_SECOND:-100}"
    cat > "$dir/php-fpm.conf" <<CONF
[global]
error_log = $VAR/log/$name-php-fpm.log
daemonize = no
log_limit = 65536
process_control_timeout = ${LAST_REQUESTS}s
$(pool site "$dir" "$user" "$(workers_of 2)" 30 20000 10 128)
$(pool media "$dir" "$user" "$(workers_of 1)" 30 20000 10 128)
$(pool manage "$dir" "$user" "$(workers_of 2)" 70 2000 30 512)
CONF
    cat > "$dir/nginx.conf" <<CONF
$nginx_user
worker_processes auto;
worker_rlimit_nofile $files;
pid $dir/nginx.pid;
error_log $VAR/log/$name-nginx.log warn;
daemon off;
events { worker_connections $((files / 2)); }
http {
    include /etc/nginx/mime.types;
    types { image/webp webp; font/woff2 woff2; video/webm webm; }
    # Without addresses, names and what was searched for: of the request line, the path alone.
    log_format lines escape=json '{"at":"\$time_iso8601","request":"\$request_id","method":"\$request_method",'
        '"path":"\$path_alone","status":\$status,"bytes":\$body_bytes_sent,"seconds":\$request_time}';
    # The secret of a link to an account is left out, too.
    map \$request_uri \$path_alone {
        "~^(?<welcome>/(account|manage)/welcome/)" "\${welcome}…";
        "~^(?<path>[^?]*)" \$path;
    }
    access_log $VAR/log/$name-access.log lines buffer=64k flush=5s;
    sendfile on;
    gzip on;
    gzip_vary on;
    gzip_types text/css application/javascript application/json image/svg+xml;
    # Forms of the site; the manage screens send files, and the application has a limit for each address.
    client_max_body_size 100k;
    client_body_temp_path $dir/temp/body;
    proxy_temp_path $dir/temp/proxy;
    fastcgi_temp_path $dir/temp/fastcgi;
    uwsgi_temp_path $dir/temp/uwsgi;
    scgi_temp_path $dir/temp/scgi;
    # Who sends or takes nothing for so long makes room.
    client_header_timeout 10s;
    client_body_timeout 15s;
    send_timeout 15s;
    keepalive_timeout 20s;
    reset_timedout_connection on;
    # The address that was asked for, with its port where it has one; behind a proxy, what that passes on.
    map \$http_host \$asked_host { "" \$host:\$server_port; default \$http_host; }
    limit_conn_zone \$binary_remote_addr zone=at_once:10m;
    limit_req_zone \$binary_remote_addr zone=a_second:10m rate=${a_second}r/s;
    limit_conn_zone \$binary_remote_addr zone=files_at_once:10m;
    limit_req_zone \$binary_remote_addr zone=files_a_second:10m rate=$((a_second * 10))r/s;
    # Behind a trusted proxy, clients are counted by their own address.
    $(trusted_proxies 'set_real_ip_from %s; ')
    geo \$realip_remote_addr \$is_proxy { default 0; $(trusted_proxies '%s 1; ') }
    # Forwarded headers reach the application from trusted proxies alone.
    map \$is_proxy \$forwarded_for { 1 \$http_x_forwarded_for; default ""; }
    map \$is_proxy \$forwarded_proto { 1 \$http_x_forwarded_proto; default ""; }
    map \$is_proxy \$forwarded_host { 1 \$http_x_forwarded_host; default ""; }
    map \$is_proxy \$forwarded_port { 1 \$http_x_forwarded_port; default ""; }
    real_ip_header X-Forwarded-For;
    real_ip_recursive on;
    # What is limited is the rule under a flood; a line for each would fill the disk.
    limit_conn_log_level info;
    limit_req_log_level info;
    server {
        listen 127.0.0.1:$port backlog=4096;
        root $ROOT/public;
        server_tokens off;
        error_page 502 503 504 @busy;
        location /build/ {
            add_header Cache-Control "public, max-age=31536000, immutable";
            try_files \$uri =404;
        }
        # The application says whether a file may be seen; nginx sends it.
        location /stored-media/ {
            internal;
            alias $media/;
            add_header X-Content-Type-Options nosniff;
            add_header Content-Security-Policy "default-src 'none'; sandbox";
        }
        location ~ \.php(/|\$) { return 404; }
        location / { try_files \$uri @site; }
        location = /media { try_files \$uri @site; }
        location /media/ { $(application "$dir" media 40 files_ 10) }
        # Its error log would hold the secret of the link.
        location ~ ^/account/welcome/ { error_log /dev/null; try_files \$uri @site; }
        location ~ ^/manage/welcome/ { error_log /dev/null; try_files \$uri @manage; }
        location /manage { client_max_body_size 62m; try_files \$uri @manage; }
        location @site { $(application "$dir" site 40) }
        location @manage { $(application "$dir" manage 80) }
        location @busy {
            internal;
            add_header Retry-After 5 always;
            add_header Cache-Control no-store always;
            default_type "text/html; charset=utf-8";
            return 503 "<!doctype html><html lang=en><meta charset=utf-8><title>Busy</title>\
<meta name=viewport content='width=device-width'><h1>The site is busy</h1>\
<p>Please try again in a few seconds.</p></html>";
        }
    }
}
CONF
    local root_flag=""; [ "$WEB_USER" != root ] || root_flag="--allow-to-run-as-root"
    # What answers with kept pages is loaded once, for all workers; never as root.
    local preload=(-d opcache.preload="$ROOT/bootstrap/page-cache.php")
    case "$WEB_USER" in "") ;; root) preload=() ;; *) preload+=(-d opcache.preload_user="$WEB_USER") ;; esac
    # What is shared by all workers is set before there are any. Code that changes is read after the next start.
    local limits=(-d opcache.validate_timestamps=0 -d opcache.memory_consumption=128
        -d opcache.max_accelerated_files=20000 -d apc.shm_size="${WELLSPRING_PAGE_MEMORY:-128M}")
    run_service "$name-php-fpm" QUIT "$VAR/log/$name-php-fpm.out" \
        "$fpm" $root_flag "${preload[@]}" "${limits[@]}" --fpm-config "$dir/php-fpm.conf"
    run_service "$name-nginx" QUIT "$VAR/log/$name-nginx.out" \
        "$nginx" -e "$VAR/log/$name-nginx.log" -p "$dir/" -c "$dir/nginx.conf"
    # Long work is done beside the requests.
    local as=(); [ "$WEB_USER" != www-data ] || as=(setpriv --reuid=www-data --regid=www-data --init-groups)
    run_service "$name-queue" TERM "$VAR/log/$name-queue.log" \
        "${as[@]}" php artisan queue:work --quiet --sleep=1 --tries=1 --timeout=3600
    # What is done by the clock: removing what has run out.
    run_service "$name-schedule" TERM "$VAR/log/$name-schedule.log" "${as[@]}" php artisan schedule:work
    local tries=0
    until curl -s -o /dev/null "http://127.0.0.1:$port/build/manifest.json" && [ -S "$dir/manage.sock" ]; do
        tries=$((tries + 1))
        [ "$tries" -lt 100 ] || fail "The web server did not start; see the files $name-* in $VAR/log."
        sleep 0.1
    done
}

# Lines of nginx's configuration, one for each address or network of TRUSTED_PROXIES: trusted_proxies FORMAT.
trusted_proxies() {
    local said proxy format="$1"
    said="${TRUSTED_PROXIES:-$(sed -n 's/^TRUSTED_PROXIES=//p' "$ROOT/.env" | tr -d "\"'")}"
    printf '%s' "$said" | tr -s ', ' '\n' | while read -r proxy || [ -n "$proxy" ]; do
        case "$proxy" in
            "") ;;
            # shellcheck disable=SC2059
            '*' | '**') printf "$format" 0.0.0.0/0; printf "$format" ::/0 ;;
            # shellcheck disable=SC2059
            *) printf "$format" "$proxy" ;;
        esac
    done
}

# A pool of php-fpm: pool NAME FOLDER USER WORKERS SECONDS REQUESTS CPU MEMORY. A request ends after SECONDS, or after
# CPU seconds of work of its own; MEMORY is in MB. A worker is replaced after so many REQUESTS.
pool() {
    cat <<CONF
[$1]
$3
listen = $2/$1.sock
listen.backlog = 128
pm = static
pm.max_children = $4
pm.max_requests = $6
request_terminate_timeout = ${5}s
clear_env = no
; Who waits for a lock of others is told so, and a transaction that nobody goes on with ends.
env[PGOPTIONS] = "-c lock_timeout=3s -c statement_timeout=60s -c idle_in_transaction_session_timeout=30s"
catch_workers_output = yes
decorate_workers_output = no
php_admin_value[realpath_cache_size] = 4M
php_admin_value[max_execution_time] = $7
php_admin_value[memory_limit] = ${8}M
php_admin_value[upload_tmp_dir] = $2/temp
php_admin_value[sys_temp_dir] = $2/temp
php_admin_value[upload_max_filesize] = 61M
php_admin_value[post_max_size] = 62M
CONF
}

# How nginx asks a pool: application FOLDER POOL SECONDS [ZONES TIMES], where the zones of the limits begin with other
# words, and the limits are so many times as high. Uses what start_web has set.
application() {
    cat <<CONF

            limit_conn ${4-}at_once $((at_once * ${5-1}));
            limit_req zone=${4-}a_second burst=$((a_second * ${5-1} * 4)) nodelay;
            include /etc/nginx/fastcgi_params;
            fastcgi_param SCRIPT_FILENAME $ROOT/public/index.php;
            fastcgi_param SCRIPT_NAME /index.php;
            fastcgi_param HTTP_PROXY "";
            # An empty parameter takes the client's header away.
            fastcgi_param HTTP_FORWARDED "" if_not_empty;
            fastcgi_param HTTP_X_FORWARDED_PREFIX "" if_not_empty;
            fastcgi_param HTTP_X_FORWARDED_FOR \$forwarded_for if_not_empty;
            fastcgi_param HTTP_X_FORWARDED_PROTO \$forwarded_proto if_not_empty;
            fastcgi_param HTTP_X_FORWARDED_HOST \$forwarded_host if_not_empty;
            fastcgi_param HTTP_X_FORWARDED_PORT \$forwarded_port if_not_empty;
            # The application asks for itself whom it may believe.
            fastcgi_param REMOTE_ADDR \$realip_remote_addr;
            fastcgi_param REQUEST_ID \$request_id;
            fastcgi_param HTTP_HOST \$asked_host;
            fastcgi_connect_timeout 5s;
            fastcgi_read_timeout ${3}s;
            fastcgi_buffers 16 32k;
            fastcgi_buffer_size 32k;
            fastcgi_pass unix:$1/$2.sock;
        
CONF
}
