Hello {!! $name !!},

somebody asked for a new password for your sign-in to Rung. Set it here within an hour:

{!! $link !!}

If it was not you, leave this letter: your password stays as it is.
