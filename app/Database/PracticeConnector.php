<?php

declare(strict_types=1);

namespace App\Database;

use App\Support\CurrentPractice;
use Illuminate\Database\Connectors\PostgresConnector;
use PDO;
use PDOException;

/**
 * Connects, and says at once whose rows are wanted: a worker keeps its connection from request to request, and one that
 * was lost is made again in the middle of a request.
 */
final class PracticeConnector extends PostgresConnector
{
    public function __construct(private readonly CurrentPractice $practice) {}

    /** @param array{options?: array<int, mixed>, ...<string, mixed>} $config */
    public function connect(array $config): PDO
    {
        $pdo = parent::connect($config);
        try {
            $this->practice->announceTo($pdo);
        } catch (PDOException) {
            // Taken up from an earlier request and dead since: the database was started again.
            unset($config['options'][PDO::ATTR_PERSISTENT]);
            $pdo = parent::connect($config);
            $this->practice->announceTo($pdo);
        }

        return $pdo;
    }
}
