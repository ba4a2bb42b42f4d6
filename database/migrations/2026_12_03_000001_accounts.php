<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What somebody signs in with stands apart from the practices they work in: one account, with its password and second
 * factor, and one row of `users` for each practice.
 */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('accounts', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->string('email');
            $table->string('password');
            $table->timestampTz('password_changed_at')->nullable();
            $table->rememberToken();
            // Encrypted with the key of the application; null where there is no second factor.
            $table->text('second_factor')->nullable();
            $table->timestampTz('second_factor_since')->nullable();
            // The newest step of time whose code was used: no code is taken twice.
            $table->unsignedBigInteger('second_factor_step')->nullable();
            // Hashes of those that are left.
            $table->jsonb('recovery_codes')->default('[]');
            $table->timestampsTz();
        });
        DB::statement('create unique index accounts_email_folded on accounts (lower(email))');
        // Until now everybody had one practice: the account takes the id of the row that it is made of.
        DB::statement(
            'insert into accounts (id, email, password, remember_token, created_at, updated_at) select id, email, password, remember_token, created_at, updated_at from users',
        );

        Schema::table('users', static function (Blueprint $table): void {
            $table->foreignUuid('account_id')->nullable()->constrained();
            $table->timestampTz('signed_in_at')->nullable();
            $table->timestampTz('suspended_at')->nullable();
            $table->timestampTz('left_at')->nullable();
        });
        DB::statement('update users set account_id = id');
        DB::statement('drop index users_email_folded');
        Schema::table('users', static function (Blueprint $table): void {
            $table->uuid('account_id')->nullable(false)->change();
            $table->dropColumn(['email', 'password', 'remember_token']);
            $table->unique(['practice_id', 'account_id']);
            $table->index('account_id');
        });

        // Laravel's own table of links to set a new password.
        Schema::create('password_reset_tokens', static function (Blueprint $table): void {
            $table->string('email')->primary();
            $table->string('token');
            $table->timestamp('created_at')->nullable();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('password_reset_tokens');
        Schema::table('users', static function (Blueprint $table): void {
            $table->string('email')->nullable();
            $table->string('password')->nullable();
            $table->rememberToken();
        });
        DB::statement(
            'update users set email = a.email, password = a.password, remember_token = a.remember_token from accounts a where a.id = users.account_id',
        );
        DB::statement('create unique index users_email_folded on users (lower(email))');
        Schema::table(
            'users',
            static fn(Blueprint $table) => $table->dropColumn([
                'account_id',
                'signed_in_at',
                'suspended_at',
                'left_at',
            ]),
        );
        Schema::dropIfExists('accounts');
    }
};
