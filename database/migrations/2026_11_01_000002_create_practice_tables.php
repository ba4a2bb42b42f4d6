<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * Practices and their people. Every row of a practice carries its id, and references between
 * rows carry it too, so that the database itself refuses a link across practices.
 */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('practices', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->string('name');
            $table->string('timezone');
            $table->timestampsTz();
        });
        Schema::create('athletes', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('practice_id')->constrained();
            $table->string('name');
            $table->string('act')->nullable();
            $table->decimal('body_mass_kg', 5, 1)->nullable();
            $table->timestampsTz();
            $table->unique(['practice_id', 'id']);
        });
        Schema::create('users', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('practice_id')->constrained();
            $table->uuid('athlete_id')->nullable();
            $table->string('name');
            $table->string('email')->unique();
            $table->string('password');
            $table->string('role');
            $table->rememberToken();
            $table->timestampsTz();
            $table->unique(['practice_id', 'id']);
            $table
                ->foreign(['practice_id', 'athlete_id'])
                ->references(['practice_id', 'id'])
                ->on('athletes');
        });
    }

    public function down(): void
    {
        foreach (['users', 'athletes', 'practices'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
