<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** The practice's own library in versions, openings that are left and taken up again, and what a complete opening records of a case. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('library_items', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('practice_id')->constrained();
            $table->string('kind');
            $table->string('key');
            $table->unsignedInteger('version');
            $table->string('based_on')->nullable();
            // Written as it was given, so that the order of a dose's fields stays.
            $table->json('content');
            $table->boolean('withdrawn')->default(false);
            $table->uuid('author_id');
            $table->timestampTz('created_at');
            $table->unique(['practice_id', 'kind', 'key', 'version']);
            $table
                ->foreign(['practice_id', 'author_id'])
                ->references(['practice_id', 'id'])
                ->on('users');
        });
        DB::unprepared(
            'create trigger library_items_stay before update or delete on library_items for each row execute function refuse_change()',
        );

        Schema::create('openings', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('practice_id')->constrained();
            $table->uuid('practitioner_id');
            $table->string('name');
            $table->unsignedSmallInteger('step');
            $table->json('form');
            $table->timestampTz('discarded_at')->nullable();
            $table->uuid('case_id')->nullable();
            $table->timestampsTz();
            $table->index(['practice_id', 'updated_at']);
            $table
                ->foreign(['practice_id', 'practitioner_id'])
                ->references(['practice_id', 'id'])
                ->on('users');
            $table
                ->foreign(['practice_id', 'case_id'])
                ->references(['practice_id', 'id'])
                ->on('cases');
        });

        Schema::table('cases', static function (Blueprint $table): void {
            $table->unsignedInteger('programme_version')->nullable();
            $table->jsonb('equipment')->nullable();
            $table->unsignedSmallInteger('session_minutes')->nullable();
            $table->jsonb('advice')->default('[]');
            $table->jsonb('severity')->nullable();
            $table->date('goal_on')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('cases', static function (Blueprint $table): void {
            $table->dropColumn(['programme_version', 'equipment', 'session_minutes', 'advice', 'severity', 'goal_on']);
        });
        Schema::dropIfExists('openings');
        Schema::dropIfExists('library_items');
    }
};
