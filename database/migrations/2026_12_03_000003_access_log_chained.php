<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * The record of who saw and changed what is chained: each line has a link whose hash holds the hash of the link before, so
 * that a line that was changed or taken away shows. Links are made by the database when a transaction ends, one after the
 * other within a practice; the application itself can write none.
 */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('access_log', static function (Blueprint $table): void {
            $table->string('kind', 12)->default('read');
            // Of what was changed: what it was, and what it is.
            $table->jsonb('details')->nullable();
            $table->index(['practice_id', 'at']);
        });
        Schema::create('access_log_links', static function (Blueprint $table): void {
            $table->uuid('practice_id');
            $table->unsignedBigInteger('number');
            $table->unsignedBigInteger('entry')->unique();
            $table->string('hash', 64);
            $table->primary(['practice_id', 'number']);
        });
        DB::unprepared(
            <<<'SQL'
            alter table access_log disable trigger access_log_stays;
            update access_log set kind = 'change' where what !~ '^(looked|read|asked|previewed|began|took out|took away|saved the measures)';
            update access_log set kind = 'export' where what ~ '^(took out|took away|saved the measures)';
            alter table access_log enable trigger access_log_stays;

            create or replace function access_log_hash(before text, number bigint, e access_log) returns text language sql stable as $$
                select encode(sha256(convert_to(jsonb_build_array(before, number, e.id, e.practice_id, e.user_id, e.athlete_id, e.kind, e.what, e.cases, e.details,
                    to_char(e.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'))::text, 'UTF8')), 'hex')
            $$;
            create or replace function access_log_link() returns trigger language plpgsql security definer set search_path = public as $$
            declare
                last access_log_links;
            begin
                perform pg_advisory_xact_lock(hashtext('access_log'), hashtext(new.practice_id::text));
                select * into last from access_log_links where practice_id = new.practice_id order by number desc limit 1;
                insert into access_log_links (practice_id, number, entry, hash) values (
                    new.practice_id, coalesce(last.number, 0) + 1, new.id, access_log_hash(coalesce(last.hash, ''), coalesce(last.number, 0) + 1, new));
                return null;
            end $$;

            -- Lines of before this version are linked in the order in which they were written.
            do $$
            declare
                e access_log;
                last access_log_links;
            begin
                for e in select * from access_log order by id loop
                    last := null;
                    select * into last from access_log_links where practice_id = e.practice_id order by number desc limit 1;
                    insert into access_log_links values (e.practice_id, coalesce(last.number, 0) + 1, e.id, access_log_hash(coalesce(last.hash, ''), coalesce(last.number, 0) + 1, e));
                end loop;
            end $$;

            create trigger access_log_links_stay before update or delete on access_log_links for each row execute function refuse_change();
            create constraint trigger access_log_linked after insert on access_log deferrable initially deferred
                for each row execute function access_log_link();
            SQL
            ,
        );
    }

    public function down(): void
    {
        DB::unprepared(
            'drop trigger if exists access_log_linked on access_log; drop function if exists access_log_link()',
        );
        Schema::dropIfExists('access_log_links');
        DB::unprepared('drop function if exists access_log_hash(text, bigint, access_log)');
        Schema::table('access_log', static fn(Blueprint $table) => $table->dropColumn(['kind', 'details']));
    }
};
