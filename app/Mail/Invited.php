<?php

declare(strict_types=1);

namespace App\Mail;

use App\Models\User;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** An invitation to work in a practice. */
final class Invited extends Mailable
{
    public readonly string $practice;

    public readonly string $name;

    public readonly string $role;

    public readonly string $link;

    public function __construct(User $invited, public readonly string $by, string $link)
    {
        [$this->practice, $this->name, $this->role] = [
            $invited->practice->name,
            $invited->name,
            $invited->role->title(),
        ];
        $this->link = url($link);
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: "Your invitation to $this->practice");
    }

    public function content(): Content
    {
        return new Content(text: 'mail.invited');
    }
}
