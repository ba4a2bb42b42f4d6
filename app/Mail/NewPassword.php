<?php

declare(strict_types=1);

namespace App\Mail;

use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** The link with which somebody sets a new password. */
final class NewPassword extends Mailable
{
    public readonly string $link;

    public function __construct(public readonly string $name, string $email, string $token)
    {
        // After the #, so that it is never sent to a server nor written into a log.
        $this->link = url('/password') . '#' . rawurlencode($email) . '/' . $token;
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: 'A new password for Rung');
    }

    public function content(): Content
    {
        return new Content(text: 'mail.new-password');
    }
}
