<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Athletes put right what they entered, say why a session was missed, and write to whoever treats them. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('corrections', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->uuid('practice_id');
            $table->uuid('case_id')->index();
            $table->uuid('user_id');
            $table->string('what');
            $table->uuid('entry');
            $table->timestampTz('at');
            // What the entry said before, and whether it was withdrawn.
            $table->jsonb('before');
            $table->boolean('withdrawn');
            $table
                ->foreign(['practice_id', 'case_id'])
                ->references(['practice_id', 'id'])
                ->on('cases');
            $table
                ->foreign(['practice_id', 'user_id'])
                ->references(['practice_id', 'id'])
                ->on('users');
        });
        DB::unprepared(
            'create trigger corrections_stay before update or delete on corrections for each row execute function refuse_change()',
        );
        Schema::table('planned_sessions', static fn(Blueprint $table) => $table->string('missed_why', 200)->nullable());
        Schema::table('messages', static function (Blueprint $table): void {
            $table->smallInteger('pain')->nullable();
            $table->timestampTz('seen_at')->nullable();
        });
        Schema::table('cases', static fn(Blueprint $table) => $table->timestampTz('asked_at')->nullable());
        DB::statement('create index cases_asked on cases (practice_id, asked_at) where asked_at is not null');
    }

    public function down(): void
    {
        Schema::dropIfExists('corrections');
        Schema::table('planned_sessions', static fn(Blueprint $table) => $table->dropColumn('missed_why'));
        Schema::table('messages', static fn(Blueprint $table) => $table->dropColumn(['pain', 'seen_at']));
        Schema::table('cases', static fn(Blueprint $table) => $table->dropColumn('asked_at'));
    }
};
