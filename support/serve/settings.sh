# The settings of the servers, rewritten at each start into a folder that root alone can write.

write_settings() {
    local user_line="" worker_user="" listen_owner=""
    if is_root; then
        user_line="user $WEB_USER;"
        worker_user="user = $WEB_USER
group = $WEB_GROUP"
        listen_owner="listen.owner = $WEB_USER
listen.group = $WEB_GROUP
listen.mode = 0600"
    fi
    cat >"$ETC/fpm.conf" <<TEXT
[global]
error_log = /proc/self/fd/2
daemonize = no
[rung]
$worker_user
$listen_owner
listen = $RUN/fpm.sock
pm = static
pm.max_children = 4
pm.max_requests = 2000
clear_env = yes
catch_workers_output = yes
decorate_workers_output = no
$(laravel_places | sed 's/^\([A-Z_]*\)=\(.*\)$/env[\1] = \2/')
php_admin_value[memory_limit] = 256M
php_admin_value[post_max_size] = 17M
php_admin_flag[expose_php] = off
php_admin_flag[display_errors] = off
php_admin_flag[zend.exception_ignore_args] = on
TEXT
    laravel_places >"$ETC/scheduler.env"
    cat >"$ETC/app.conf" <<TEXT
fastcgi_pass unix:$RUN/fpm.sock;
include /etc/nginx/fastcgi_params;
fastcgi_param SCRIPT_FILENAME $SITE/public/index.php;
fastcgi_param SCRIPT_NAME /index.php;
fastcgi_read_timeout 30s;
TEXT
    cat >"$ETC/nginx.conf" <<TEXT
$user_line
worker_processes 1;
pid $RUN/nginx.pid;
# Lesser messages hold the address that was asked for, and with it what people search for.
error_log stderr crit;
events { worker_connections 512; }
http {
    types { text/html html; text/css css; text/javascript js; image/svg+xml svg; font/woff2 woff2; application/json json webmanifest; image/png png; }
    default_type application/octet-stream;
    access_log off;
    server_tokens off;
    gzip on; gzip_comp_level 6; gzip_types text/css text/javascript application/json image/svg+xml;
    client_body_temp_path $HOME_DIR/tmp/body; proxy_temp_path $HOME_DIR/tmp/proxy; fastcgi_temp_path $HOME_DIR/tmp/fastcgi;
    uwsgi_temp_path $HOME_DIR/tmp/uwsgi; scgi_temp_path $HOME_DIR/tmp/scgi;
    client_header_timeout 10s; client_body_timeout 20s; send_timeout 20s;
    # Laravel sends these headers with its own answers; what nginx answers by itself gets them here.
    map \$upstream_http_content_security_policy \$policy { "" "default-src 'none'; frame-ancestors 'none'"; }
    map \$upstream_http_x_content_type_options \$nosniff { "" nosniff; }
    map \$upstream_http_referrer_policy \$referrer { "" same-origin; }
    map "\$status:\$upstream_http_retry_after" \$retry { ~^50[234]:\$ 5; }
    map \$uri \$kept { ~^/build/ "public, max-age=31536000, immutable"; }
    server {
        listen 127.0.0.1:$PORT;
        root $SITE/public;
        add_header Content-Security-Policy \$policy always;
        add_header X-Content-Type-Options \$nosniff always;
        add_header Referrer-Policy \$referrer always;
        add_header Retry-After \$retry always;
        add_header Cache-Control \$kept;
        client_max_body_size 1m;
        error_page 413 @too_large;
        error_page 502 504 @away;
        location /build/ { try_files \$uri =404; }
        location / { try_files \$uri @app; }
        location @app { include $ETC/app.conf; }
        location ^~ /api/ { error_page 413 @too_large; error_page 502 504 @api_away; include $ETC/app.conf; }
        location = /api/session { client_max_body_size 4k; error_page 413 @too_large; error_page 502 504 @api_away; include $ETC/app.conf; }
        location = /api/join { client_max_body_size 4k; error_page 413 @too_large; error_page 502 504 @api_away; include $ETC/app.conf; }
        location ^~ /api/import { client_max_body_size 17m; error_page 413 @too_large; error_page 502 504 @api_away; include $ETC/app.conf; }
        location ^~ /api/library/ { client_max_body_size 8m; error_page 413 @too_large; error_page 502 504 @api_away; include $ETC/app.conf; }
        location @too_large { internal; default_type application/json; return 413 '{"message":"This is larger than Rung takes here. Shorten the longest text, or send less at a time."}'; }
        location @api_away { internal; default_type application/json; return 503 '{"message":"Rung is away for a moment. What you entered is kept; try again in a few seconds."}'; }
        location @away { internal; default_type text/html; return 503 '<!doctype html><html lang="en"><title>Rung</title><body><h1>Rung is away for a moment</h1><p>Nothing is lost. Try again in a few seconds.</p></body></html>'; }
    }
}
TEXT
    local fast=""; [ "$INSTANCE" = main ] || fast="-c fsync=off -c full_page_writes=off"
    cat >"$ETC/supervisord.conf" <<TEXT
[supervisord]
user=$(id -un)
pidfile=$RUN/supervisord.pid
logfile=$LOG/supervisor.log
logfile_maxbytes=5MB
logfile_backups=5
childlogdir=$LOG
umask=027
identifier=rung-$INSTANCE
[unix_http_server]
file=$RUN/supervisor.sock
chmod=0700
[rpcinterface:supervisor]
supervisor.rpcinterface_factory=supervisor.rpcinterface:make_main_rpcinterface
[supervisorctl]
serverurl=unix://$RUN/supervisor.sock
TEXT
    # PostgreSQL says what goes wrong with it, and nothing of a statement: statements and their errors hold what people wrote.
    program postgres 10 INT "$PG_USER" "$PG_BIN/postgres -D $PG_DATA -p $PG_PORT -c listen_addresses=127.0.0.1 -c unix_socket_directories=$PG_DATA -c logging_collector=off -c log_destination=stderr -c log_min_messages=log -c log_min_error_statement=panic -c log_error_verbosity=terse -c log_statement=none -c log_parameter_max_length=0 $fast"
    program fpm 20 QUIT "$(id -un)" "/usr/sbin/php-fpm8.2 -F -y $ETC/fpm.conf -d opcache.enable=1 -d opcache.revalidate_freq=1"
    program nginx 30 QUIT "$(id -un)" "$(command -v nginx || echo /usr/sbin/nginx) -c $ETC/nginx.conf -p $RUN -e stderr -g 'daemon off;'"
    program scheduler 40 TERM "$WEB_USER" "$(command -v php) $SITE/artisan schedule:work" "$(laravel_places | sed 's/^\([A-Z_]*\)=\(.*\)$/,\1="\2"/' | tr -d '\n')"
    program worker 45 TERM "$WEB_USER" "$(command -v php) $SITE/artisan queue:work --sleep=1 --timeout=600 --memory=256 --max-time=3600" "$(laravel_places | sed 's/^\([A-Z_]*\)=\(.*\)$/,\1="\2"/' | tr -d '\n')"
    [ "$INSTANCE" != main ] || program backups 50 TERM "$(id -un)" "$(command -v bash) $ROOT/rung backups"
}

# program NAME ORDER SIGNAL USER COMMAND [ENVIRONMENT]: started by hand the first time, and again whenever it dies.
program() {
    cat >>"$ETC/supervisord.conf" <<TEXT
[program:$1]
command=$ROOT_SERVE/service $1 $4 $5
directory=/
priority=$2
autostart=false
autorestart=true
startsecs=1
startretries=1000
stopsignal=$3
stopwaitsecs=20
killasgroup=true
redirect_stderr=true
stdout_logfile=$LOG/$1.log
stdout_logfile_maxbytes=5MB
stdout_logfile_backups=5
environment=PATH="$PATH",RUN="$RUN"${6:-}
TEXT
}
