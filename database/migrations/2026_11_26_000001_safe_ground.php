<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Addresses without capitals, tries at signing in, and which practice is the demo. */
return new class extends Migration {
    public function up(): void
    {
        $doubled = DB::table('users')
            ->selectRaw('min(id::text) as id')
            ->groupByRaw('lower(email)')
            ->havingRaw('count(*) > 1')
            ->pluck('id')
            ->all();
        if ($doubled !== []) {
            throw new RuntimeException(
                'Some people share an e-mail address but for its capitals. Change one of each in the table users, then start again. Ids: ' .
                    implode(', ', $doubled),
            );
        }
        DB::table('users')
            ->whereRaw('email <> lower(email)')
            ->update(['email' => DB::raw('lower(email)')]);
        DB::statement('create unique index users_email_folded on users (lower(email))');

        Schema::create('sign_in_tries', static function (Blueprint $table): void {
            // A hash: whose tries they are does not stand here.
            $table->string('key', 64)->primary();
            $table->unsignedInteger('tries');
            $table->timestampTz('blocked_until')->nullable();
            // Whether the last try came too early.
            $table->boolean('refused');
            $table->timestampTz('last_at');
            $table->index('last_at');
        });

        Schema::table('practices', static function (Blueprint $table): void {
            $table->boolean('demo')->default(false);
        });
        DB::table('practices as p')
            ->where('name', 'Ropewalk Circus School')
            ->whereNotExists(
                static fn($query) => $query
                    ->from('users')
                    ->whereColumn('practice_id', 'p.id')
                    ->where('email', 'not like', '%@ropewalk.example'),
            )
            ->update(['demo' => true]);
    }

    public function down(): void
    {
        Schema::table('practices', static fn(Blueprint $table) => $table->dropColumn('demo'));
        Schema::dropIfExists('sign_in_tries');
        DB::statement('drop index users_email_folded');
    }
};
