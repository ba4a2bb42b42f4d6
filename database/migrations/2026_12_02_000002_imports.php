<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Sheets that were taken in, so that one can be taken back in one go. */
return new class extends Migration {
    private const ENTRIES = ['check_ins', 'training_sessions', 'tests', 'outcomes'];

    public function up(): void
    {
        Schema::create('imports', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->uuid('practice_id');
            $table->uuid('case_id')->index();
            $table->uuid('user_id');
            $table->string('kind', 20);
            $table->unsignedSmallInteger('entries');
            $table->timestampTz('at');
            $table->timestampTz('taken_back_at')->nullable();
            $table->unique(['practice_id', 'id']);
            $table
                ->foreign(['practice_id', 'case_id'])
                ->references(['practice_id', 'id'])
                ->on('cases');
            $table
                ->foreign(['practice_id', 'user_id'])
                ->references(['practice_id', 'id'])
                ->on('users');
        });
        foreach (self::ENTRIES as $table) {
            Schema::table($table, static function (Blueprint $table): void {
                $table->uuid('import_id')->nullable()->index();
                $table
                    ->foreign(['practice_id', 'import_id'])
                    ->references(['practice_id', 'id'])
                    ->on('imports');
            });
        }
    }

    public function down(): void
    {
        foreach (self::ENTRIES as $table) {
            Schema::table($table, static function (Blueprint $table): void {
                $table->dropForeign(['practice_id', 'import_id']);
                $table->dropColumn('import_id');
            });
        }
        Schema::dropIfExists('imports');
    }
};
