<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Decisions that can be taken back, plans that begin on a chosen day, messages to athletes, and a Round that is read and not worked out. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('plan_versions', static function (Blueprint $table): void {
            // Null: from the moment it was written.
            $table->date('valid_from')->nullable();
            $table->text('why')->nullable();
        });
        Schema::table('decisions', static function (Blueprint $table): void {
            $table->json('undo')->nullable();
            $table->uuid('undoes')->nullable()->unique();
        });
        Schema::create('messages', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->uuid('practice_id');
            $table->uuid('case_id')->index();
            $table->uuid('user_id');
            $table->string('kind');
            $table->text('words');
            $table->timestampTz('at');
            $table->timestampTz('sent_at')->nullable();
            $table
                ->foreign(['practice_id', 'case_id'])
                ->references(['practice_id', 'id'])
                ->on('cases');
            $table
                ->foreign(['practice_id', 'user_id'])
                ->references(['practice_id', 'id'])
                ->on('users');
        });
        Schema::table('cases', static function (Blueprint $table): void {
            $table->json('course')->nullable();
            $table->string('stage_title')->default('');
            $table->timestampTz('nudged_at')->nullable();
        });
        Schema::table('planned_sessions', static function (Blueprint $table): void {
            // No longer asked for; a phone without reception may still have been asked for it.
            $table->boolean('withdrawn')->default(false);
        });
        // Kept as the text that the Round sends on.
        DB::statement('alter table cases alter column standing type json using standing::json');
        // What was kept before lacks what is kept now: ./rung start looks at these cases again.
        DB::table('cases')->update(['evaluated_at' => null]);
        DB::statement(
            'create index cases_round on cases (practice_id, attention_rank, opened_on, id) include (attention_group) where closed_on is null',
        );
    }

    public function down(): void
    {
        DB::statement('drop index if exists cases_round');
        Schema::table(
            'cases',
            static fn(Blueprint $table) => $table->dropColumn(['course', 'stage_title', 'nudged_at']),
        );
        Schema::table('planned_sessions', static fn(Blueprint $table) => $table->dropColumn('withdrawn'));
        Schema::dropIfExists('messages');
        Schema::table('decisions', static fn(Blueprint $table) => $table->dropColumn(['undo', 'undoes']));
        Schema::table('plan_versions', static fn(Blueprint $table) => $table->dropColumn(['valid_from', 'why']));
    }
};
