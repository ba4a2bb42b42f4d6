<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Tokens with which another system reads a practice. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('personal_access_tokens', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->uuid('practice_id');
            $table->uuidMorphs('tokenable');
            $table->string('name', 80);
            $table->string('token', 64)->unique();
            $table->text('abilities');
            $table->timestampTz('last_used_at')->nullable();
            $table->timestampTz('expires_at');
            $table->timestamps();
            $table
                ->foreign(['practice_id', 'tokenable_id'])
                ->references(['practice_id', 'id'])
                ->on('users');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('personal_access_tokens');
    }
};
