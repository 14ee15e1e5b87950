import type { HttpInterceptorFn } from '@angular/common/http';
import { inject, Injector } from '@angular/core';
import { catchError, retry, throwError } from 'rxjs';
import { Units } from '../preferences/units.service';
import { apiErrorOf } from './api-error';
import { wordingIn } from './wording';
import { Connection } from './connection';
import { maySendAgain, onceMore } from './once-more';

/** What may be sent again is sent again while nothing answers. */
export const sentAgain: HttpInterceptorFn = (request, next) =>
  maySendAgain(request.method, request.body) ? next(request).pipe(retry({ delay: onceMore })) : next(request);

/** A person who waits for long is told so. */
export const watched: HttpInterceptorFn = (request, next) => inject(Connection).watched(next(request));

/** Whatever goes wrong comes as an ApiError with its sentence, in the units of this device. */
export const problems: HttpInterceptorFn = (request, next) => {
  const injector = inject(Injector);
  // asked for when something was refused: the units need the server's data themselves
  const wording = () => wordingIn(injector.get(Units));
  return next(request).pipe(catchError((error: unknown) => throwError(() => apiErrorOf(error, wording))));
};

/** Outermost first. */
export const interceptors = [problems, watched, sentAgain];
