<?php

return [
    // Offers the demo owner with one click. Off unless the demo build says so.
    'demo' => (bool) env('INSIGNUM_DEMO', false),

    // Private or loopback hosts ("host:port") that Insignum may talk to: the practice host, a staging server.
    'private_hosts' => array_filter(explode(',', (string) env('INSIGNUM_PRIVATE_HOSTS', ''))),

    'practice_host' => [
        'url' => env('PRACTICE_HOST_URL', 'http://127.0.0.1:8401'),
        'token' => env('PRACTICE_HOST_TOKEN', ''),
    ],

    'destination_timeout' => (int) env('INSIGNUM_DESTINATION_TIMEOUT', 8),

    'blob_disk' => env('BLOB_DISK', 'blobs'),

    // Bounds on what is brought in. Sizes in bytes.
    'import' => [
        'archive_bytes' => 60 * 1024 * 1024,
        'total_bytes' => 200 * 1024 * 1024,
        'files' => 3000,
        'pages' => 200,
        'page_bytes' => 5 * 1024 * 1024,
        'stylesheet_bytes' => 5 * 1024 * 1024,
        'image_bytes' => 10 * 1024 * 1024,
        'asset_bytes' => 20 * 1024 * 1024,
        // What an archive may unfold to, as a multiple of its own size, once it is larger than a megabyte.
        'expansion' => 120,
    ],

    // How long a preview address stays good, in seconds.
    'preview_lifetime' => 12 * 3600,
];
