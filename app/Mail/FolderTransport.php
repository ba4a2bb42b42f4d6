<?php

declare(strict_types=1);

namespace App\Mail;

use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;

/** The sender of mail that ships with Rung: each letter is a file that only this account of the machine can read, and nothing leaves it. */
final class FolderTransport extends AbstractTransport
{
    /** Older letters are thrown away: they hold links that have run out. */
    private const KEPT = 200;

    public function __construct(private readonly string $folder)
    {
        parent::__construct();
    }

    public function __toString(): string
    {
        return 'folder://';
    }

    protected function doSend(SentMessage $message): void
    {
        is_dir($this->folder) || mkdir($this->folder, 0700, true);
        $file = $this->folder . '/' . sprintf('%.6F', microtime(true)) . '.eml';
        touch($file);
        chmod($file, 0600);
        file_put_contents($file, $message->toString());
        foreach (array_slice(array_reverse(glob("$this->folder/*.eml") ?: []), self::KEPT) as $old) {
            unlink($old);
        }
    }
}
