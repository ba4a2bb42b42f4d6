<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Whose cases somebody sees: all of the practice, or their own and those that are shared with them, as the practice
 * chooses. The database itself leaves out the others (`App\Database\Walls`), so that no list and no sum can forget to.
 */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('practices', static function (Blueprint $table): void {
            $table->string('cases_open_to', 10)->default('practice');
            $table->boolean('second_factor_needed')->default(false);
        });
        Schema::create('case_shares', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->uuid('practice_id');
            $table->uuid('case_id')->index();
            $table->uuid('user_id')->index();
            // 'shared' by a colleague, or 'opened' by the person alone, with a reason, where there was no time to ask.
            $table->string('kind', 10);
            $table->string('reason', 300)->nullable();
            $table->uuid('by');
            $table->timestampTz('at');
            // The last day; null for one that stands until it is taken back.
            $table->date('until')->nullable();
            $table->timestampTz('ended_at')->nullable();
            $table->timestampTz('owner_saw_at')->nullable();
            $table
                ->foreign(['practice_id', 'case_id'])
                ->references(['practice_id', 'id'])
                ->on('cases');
            $table
                ->foreign(['practice_id', 'user_id'])
                ->references(['practice_id', 'id'])
                ->on('users');
            $table
                ->foreign(['practice_id', 'by'])
                ->references(['practice_id', 'id'])
                ->on('users');
        });
        // Somebody looks after all cases of a colleague for some days.
        Schema::create('covers', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->uuid('practice_id');
            $table->uuid('of');
            $table->uuid('user_id')->index();
            $table->date('from');
            $table->date('until');
            $table->uuid('by');
            $table->timestampTz('at');
            $table->timestampTz('ended_at')->nullable();
            $table
                ->foreign(['practice_id', 'of'])
                ->references(['practice_id', 'id'])
                ->on('users');
            $table
                ->foreign(['practice_id', 'user_id'])
                ->references(['practice_id', 'id'])
                ->on('users');
            $table
                ->foreign(['practice_id', 'by'])
                ->references(['practice_id', 'id'])
                ->on('users');
        });
    }

    public function down(): void
    {
        DB::unprepared('drop policy if exists own_cases on cases; drop policy if exists own_openings on openings');
        Schema::dropIfExists('covers');
        Schema::dropIfExists('case_shares');
        Schema::table(
            'practices',
            static fn(Blueprint $table) => $table->dropColumn(['cases_open_to', 'second_factor_needed']),
        );
    }
};
