<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Sessions that a practitioner puts in once more, and what a practice has set for itself. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('planned_sessions', static fn(Blueprint $table) => $table->boolean('added')->default(false));
        Schema::table('practices', static function (Blueprint $table): void {
            // The message to a silent athlete; {name} is the first name. Null: Rung's own words.
            $table->string('nudge_words', 600)->nullable();
            // What most athletes have at hand; null where nothing was said.
            $table->jsonb('equipment')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('practices', static fn(Blueprint $table) => $table->dropColumn(['nudge_words', 'equipment']));
        Schema::table('planned_sessions', static fn(Blueprint $table) => $table->dropColumn('added'));
    }
};
