<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What practitioners put right or enter for the athlete, with who and why. */
return new class extends Migration {
    public function up(): void
    {
        foreach (['tests', 'outcomes'] as $table) {
            Schema::table($table, static fn(Blueprint $table) => $table->boolean('superseded')->default(false));
        }
        Schema::table('corrections', static fn(Blueprint $table) => $table->string('why', 2000)->nullable());
        // What is kept of each case says now whether it is unsettled: it is worked out again.
        DB::table('cases')->update(['evaluated_at' => null]);
        foreach (['training_sessions', 'check_ins'] as $table) {
            Schema::table($table, static function (Blueprint $table): void {
                $table->uuid('entered_by')->nullable();
                $table
                    ->foreign(['practice_id', 'entered_by'])
                    ->references(['practice_id', 'id'])
                    ->on('users');
            });
        }
    }

    public function down(): void
    {
        foreach (['tests', 'outcomes'] as $table) {
            Schema::table($table, static fn(Blueprint $table) => $table->dropColumn('superseded'));
        }
        Schema::table('corrections', static fn(Blueprint $table) => $table->dropColumn('why'));
        foreach (['training_sessions', 'check_ins'] as $table) {
            Schema::table($table, static fn(Blueprint $table) => $table->dropColumn('entered_by'));
        }
    }
};
