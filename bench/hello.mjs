import express from 'express';

/** The least that an Express server does. */
express()
  .disable('x-powered-by')
  .get('/hello', (_request, response) => void response.json({ hello: 'world' }))
  .listen(0, '127.0.0.1', function () {
    console.log(this.address().port);
  });
