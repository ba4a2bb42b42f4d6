<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Phones that want reminders, at which times, and what was pushed to each. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('push_phones', static function (Blueprint $table): void {
            // Made on the phone.
            $table->uuid('id')->primary();
            $table->uuid('practice_id');
            $table->uuid('user_id')->index();
            // Minutes after midnight; null: not reminded.
            $table->smallInteger('morning_at')->nullable();
            $table->smallInteger('session_at')->nullable();
            $table->boolean('messages')->default(false);
            $table->timestampTz('since');
            $table->unique(['practice_id', 'id']);
            $table
                ->foreign(['practice_id', 'user_id'])
                ->references(['practice_id', 'id'])
                ->on('users')
                ->cascadeOnDelete();
        });
        Schema::create('pushes', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->uuid('practice_id');
            $table->uuid('phone_id');
            $table->string('kind', 20);
            // The day, or the message, that it is about: nobody is reminded twice.
            $table->string('about', 40);
            $table->string('words', 200);
            $table->timestampTz('at');
            $table->timestampTz('taken_at')->nullable();
            $table->unique(['phone_id', 'kind', 'about']);
            $table
                ->foreign(['practice_id', 'phone_id'])
                ->references(['practice_id', 'id'])
                ->on('push_phones')
                ->cascadeOnDelete();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('pushes');
        Schema::dropIfExists('push_phones');
    }
};
