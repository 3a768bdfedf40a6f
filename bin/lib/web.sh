# nginx before php-fpm on loopback: what runs at hand is what runs in production.

WEB_PIDS=""

# .env holds this machine's secrets; it is made once.
ensure_env() {
    [ -f "$ROOT/.env" ] || (umask 077 && cat > "$ROOT/.env" <<CONF
APP_NAME=Wellspring
APP_ENV=production
APP_DEBUG=false
APP_KEY=base64:$(head -c 32 /dev/urandom | base64)
LOG_CHANNEL=errorlog
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
    sed -i 's/^QUEUE_CONNECTION=sync$/QUEUE_CONNECTION=database/' "$ROOT/.env"
    if [ "$WEB_USER" = www-data ]; then
        chgrp www-data "$ROOT/.env" && chmod 640 "$ROOT/.env"
        mkdir -p "$ROOT/storage/app/media" "$ROOT/storage/app/imports"
        chown -R www-data "$ROOT/storage" "$ROOT/bootstrap/cache" "$VAR/cache"
    fi
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
    # Enough for those that wait for the database, and no more: each one more makes all of them slower.
    local workers=$(($(nproc) * 2)); [ "$workers" -ge 4 ] || workers=4
    cat > "$dir/php-fpm.conf" <<CONF
[global]
error_log = $VAR/log/$name-php-fpm.log
daemonize = no
[www]
$user
listen = $dir/php-fpm.sock
pm = static
pm.max_children = $workers
clear_env = no
catch_workers_output = yes
decorate_workers_output = no
php_admin_value[realpath_cache_size] = 4M
php_admin_value[upload_tmp_dir] = $dir/temp
php_admin_value[sys_temp_dir] = $dir/temp
php_admin_value[upload_max_filesize] = 61M
php_admin_value[post_max_size] = 62M
CONF
    cat > "$dir/nginx.conf" <<CONF
$nginx_user
worker_processes auto;
pid $dir/nginx.pid;
error_log $VAR/log/$name-nginx.log warn;
daemon off;
events { worker_connections 1024; }
http {
    include /etc/nginx/mime.types;
    types { image/webp webp; font/woff2 woff2; video/webm webm; }
    access_log off;
    sendfile on;
    gzip on;
    gzip_types text/css application/javascript application/json image/svg+xml;
    client_max_body_size 62m;
    client_body_temp_path $dir/temp/body;
    proxy_temp_path $dir/temp/proxy;
    fastcgi_temp_path $dir/temp/fastcgi;
    uwsgi_temp_path $dir/temp/uwsgi;
    scgi_temp_path $dir/temp/scgi;
    server {
        listen 127.0.0.1:$port;
        root $ROOT/public;
        server_tokens off;
        location /build/ { expires max; add_header Cache-Control "public, immutable"; try_files \$uri =404; }
        location /media/ {
            alias $media/;
            expires 1h;
            add_header X-Content-Type-Options nosniff;
            add_header Content-Security-Policy "default-src 'none'; sandbox";
        }
        location ~ \.php(/|\$) { return 404; }
        location / { try_files \$uri @app; }
        location @app {
            include /etc/nginx/fastcgi_params;
            fastcgi_param SCRIPT_FILENAME $ROOT/public/index.php;
            fastcgi_param SCRIPT_NAME /index.php;
            fastcgi_param HTTP_PROXY "";
            fastcgi_param HTTP_HOST \$host:\$server_port;
            fastcgi_read_timeout 120s;
            fastcgi_buffers 16 32k;
            fastcgi_buffer_size 32k;
            fastcgi_pass unix:$dir/php-fpm.sock;
        }
    }
}
CONF
    local root_flag=""; [ "$WEB_USER" != root ] || root_flag="--allow-to-run-as-root"
    # What answers with kept pages is loaded once, for all workers; never as root.
    local preload=(-d opcache.preload="$ROOT/bootstrap/page-cache.php")
    case "$WEB_USER" in "") ;; root) preload=() ;; *) preload+=(-d opcache.preload_user="$WEB_USER") ;; esac
    # What is shared by all workers is set before there are any. Code that changes is read after the next start.
    "$fpm" $root_flag "${preload[@]}" -d opcache.validate_timestamps=0 -d opcache.memory_consumption=128 \
        -d opcache.max_accelerated_files=20000 -d apc.shm_size="${WELLSPRING_PAGE_MEMORY:-128M}" \
        --fpm-config "$dir/php-fpm.conf" > "$VAR/log/$name-php-fpm.out" 2>&1 &
    WEB_PIDS="$WEB_PIDS $!"
    "$nginx" -e "$VAR/log/$name-nginx.log" -p "$dir/" -c "$dir/nginx.conf" > "$VAR/log/$name-nginx.out" 2>&1 &
    WEB_PIDS="$WEB_PIDS $!"
    # Long work is done beside the requests.
    local as=""; [ "$WEB_USER" != www-data ] || as="runuser -u www-data --"
    $as php artisan queue:work --quiet --sleep=1 --tries=1 --timeout=3600 > "$VAR/log/$name-queue.log" 2>&1 &
    WEB_PIDS="$WEB_PIDS $!"
    # What is done by the clock: removing what has run out.
    $as php artisan schedule:work > "$VAR/log/$name-schedule.log" 2>&1 &
    WEB_PIDS="$WEB_PIDS $!"
    local tries=0
    until curl -s -o /dev/null "http://127.0.0.1:$port/build/manifest.json" && [ -S "$dir/php-fpm.sock" ]; do
        tries=$((tries + 1))
        [ "$tries" -lt 100 ] || fail "The web server did not start; see the files $name-* in $VAR/log."
        sleep 0.1
    done
}

stop_web() {
    local pid
    for pid in $WEB_PIDS; do kill "$pid" 2>/dev/null || true; done
    for pid in $WEB_PIDS; do wait "$pid" 2>/dev/null || true; done
    WEB_PIDS=""
}
