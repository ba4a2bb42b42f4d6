<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Invitations to a phone, calendars to subscribe to, and records that a second phone sent of the same thing. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('invitations', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->uuid('practice_id');
            // The athlete's own sign-in, and who invited.
            $table->uuid('user_id')->index();
            $table->uuid('invited_by');
            // Only the hash is kept; the token itself is on the paper.
            $table->string('token_hash', 64)->unique();
            $table->timestampTz('created_at');
            $table->timestampTz('expires_at');
            $table->timestampTz('used_at')->nullable();
            $table->timestampTz('withdrawn_at')->nullable();
            $table
                ->foreign(['practice_id', 'user_id'])
                ->references(['practice_id', 'id'])
                ->on('users');
            $table
                ->foreign(['practice_id', 'invited_by'])
                ->references(['practice_id', 'id'])
                ->on('users');
        });
        Schema::table('users', static function (Blueprint $table): void {
            $table->string('calendar_hash', 64)->nullable()->unique();
        });
        Schema::table('training_sessions', static function (Blueprint $table): void {
            $table->boolean('superseded')->default(false);
        });
        Schema::table('check_ins', static function (Blueprint $table): void {
            // The athlete's own date where it was made, wherever that was.
            $table->date('local_on')->nullable();
            $table->boolean('superseded')->default(false);
        });
    }

    public function down(): void
    {
        Schema::table('check_ins', static fn(Blueprint $table) => $table->dropColumn(['local_on', 'superseded']));
        Schema::table('training_sessions', static fn(Blueprint $table) => $table->dropColumn('superseded'));
        Schema::table('users', static fn(Blueprint $table) => $table->dropColumn('calendar_hash'));
        Schema::dropIfExists('invitations');
    }
};
