@extends('errors.layout')
@section('title', 'Something went wrong')
@section('advice', 'It is not your fault, and it has been noted. Try again in a while.')
