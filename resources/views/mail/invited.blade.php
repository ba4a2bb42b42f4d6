Hello {!! $name !!},

{!! $by !!} invites you to {!! $practice !!} on Rung, as {!! strtolower($role) !!}. Come in here within 7 days:

{!! $link !!}

If you did not expect this, leave this letter and tell the practice.
