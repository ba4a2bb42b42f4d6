<?php

declare(strict_types=1);

namespace App\Mail;

use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;
use Illuminate\Support\Facades\Mail;

/** That the way somebody signs in was changed, so that they hear of it where it was not them. */
final class AccountChanged extends Mailable
{
    public readonly string $moment;

    private function __construct(public readonly string $name, public readonly string $what, string $zone)
    {
        $this->moment = CarbonImmutable::now($zone)->format('j M Y, H:i');
    }

    /** @param string $what "your password was changed" */
    public static function notify(User $user, string $what): void
    {
        // An athlete may sign in with a name that is no address.
        if (str_contains($user->email, '@')) {
            Mail::to($user->email)->send(new self($user->name, $what, $user->practice->timezone));
        }
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: "Rung: $this->what");
    }

    public function content(): Content
    {
        return new Content(text: 'mail.account-changed');
    }
}
