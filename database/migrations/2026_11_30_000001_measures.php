<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Tries, lever and angle of what is measured, and the curves of a gauge. */
return new class extends Migration {
    public function up(): void
    {
        foreach (['tests', 'outcomes'] as $table) {
            Schema::table($table, static function (Blueprint $table): void {
                $table->jsonb('details')->nullable();
                $table->uuid('entered_by')->nullable();
                $table
                    ->foreign(['practice_id', 'entered_by'])
                    ->references(['practice_id', 'id'])
                    ->on('users');
            });
        }
        Schema::create('curves', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->uuid('practice_id');
            $table->uuid('case_id')->index();
            $table->string('measure');
            $table->string('side');
            $table->date('on');
            // Milliseconds and newtons as JSON, compressed and written in base 64.
            $table->text('samples');
            $table->jsonb('figures');
            $table->uuid('user_id');
            $table->timestampTz('created_at');
            $table
                ->foreign(['practice_id', 'case_id'])
                ->references(['practice_id', 'id'])
                ->on('cases');
            $table
                ->foreign(['practice_id', 'user_id'])
                ->references(['practice_id', 'id'])
                ->on('users');
        });
        // What is kept of each case says now which tests are due: it is worked out again.
        DB::table('cases')->update(['evaluated_at' => null]);
        DB::unprepared(
            'create trigger curves_stay before update or delete on curves for each row execute function refuse_change()',
        );
    }

    public function down(): void
    {
        Schema::dropIfExists('curves');
        foreach (['tests', 'outcomes'] as $table) {
            Schema::table($table, static fn(Blueprint $table) => $table->dropColumn(['details', 'entered_by']));
        }
    }
};
