// The forecast's loop once more in plain C: same tables, same steps, same order, so that the two times can be laid side by side.
// Reads members as doubles from a file, runs each over the hours given, prints milliseconds and the sum of all pH.
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

#define STEPS 680
#define LOW 2.2
#define FIELDS 30
#define SHOWN 8
static double LAC[STEPS + 1], ACE[STEPS + 1], HYD[STEPS + 1], CIT[STEPS + 1], MAL[STEPS + 1], nat[STEPS + 1];
static const double PK_CIT[] = {2.92, 4.35, 5.65}, PK_MAL[] = {3.22, 4.70}, PK_LAC[] = {3.66}, PK_ACE[] = {4.57};
static double freeH;

static double charge(double ph, const double *pk, int n) {
  double term = 1, sum = 1, z = 0;
  for (int k = 0; k < n; k++) { term *= pow(10, ph - pk[k]); sum += term; z += (k + 1) * term; }
  return z / sum;
}
static double lookup(const double *t, double ph) {
  double place = fmin(STEPS - 1e-9, fmax(0, (ph - LOW) * 100));
  int i = (int)place;
  return t[i] + (t[i + 1] - t[i]) * (place - i);
}
static double ph_from(double share, double lac, double ace, double free0, double near) {
  double place = fmin(STEPS - 1e-6, fmax(0, (near - LOW) * 100));
  for (int pass = 0; pass < 30; pass++) {
    int i = (int)place;
    double part = place - i;
    double slope = share * (nat[i + 1] - nat[i]) + lac * (LAC[i + 1] - LAC[i]) + ace * (ACE[i + 1] - ACE[i]) - (HYD[i + 1] - HYD[i]);
    double residual = share * nat[i] + lac * LAC[i] + ace * ACE[i] - HYD[i] + free0 + part * slope;
    double next = fmin(STEPS - 1e-6, fmax(0, place - residual / slope));
    if (fabs(next - place) < 0.005) return LOW + next / 100;
    place = next;
  }
  return LOW + place / 100;
}
// A member: rate, phMin, most, death, withGrowth, atRest, floor, water, start, warm of each group (0.. and 10..), then the batch.
enum { RATE, PHMIN, MOST, DEATH, GROWTH, REST, FLOOR, WATER, START, WARM, P = 10, ADAPTED = 20, STOPL, STOPA, ASHARE, CITRIC, MALIC, BUFFER, HEXOSE, STARTPH };
static double PH, FASTEST, GAS;
static double ph_factor(double ph, double least) {
  if (!(ph > least && ph < 8.5)) return 0;
  double q = (ph - least) * (ph - 8.5);
  return q / (q - (ph - 6) * (ph - 6));
}
static double group(const double *m, const double *y, int at, double fed, double grows, double rests, double *into) {
  if (!(m[START] > 0)) { into[at] = into[at + 1] = 0; return 0; }
  double adapt = y[at + 1], well = ph_factor(PH, m[PHMIN]) * grows, able = m[WARM] * m[WATER] * fed, pace = m[RATE] * able * well;
  double x = exp(y[at]), net = pace * adapt * (1 - x / m[MOST]), ill = (1 - well) * (1 - well);
  into[at] = net - m[DEATH] * m[WARM] * ill * ill;
  into[at + 1] = pace * adapt * (1 - adapt);
  if (pace > FASTEST) FASTEST = pace;
  double room = (PH - m[FLOOR]) / 0.75, open = room > 1 ? 1 : room > 0 ? room : 0;
  return x * ((net > 0 ? m[GROWTH] * net : 0) + m[REST] * able * rests * open * adapt);
}
static void rates(const double *m, const double *y, double *into) {
  double lac = y[5], ace = y[6], sugar = y[4] > 0 ? y[4] : 0;
  PH = ph_from(1, lac, ace, freeH, PH);
  double held = lac * (1 - lookup(LAC, PH)) / m[STOPL] + ace * (1 - lookup(ACE, PH)) / m[STOPA];
  double grows = held < 1 ? 1 - held : 0, rests = held < 2.2 ? 1 - held / 2.2 : 0, fed = sugar / (2 + sugar);
  FASTEST = 0;
  double h = group(m, y, 0, fed, grows, rests, into), p = group(m + P, y, 2, fed, grows, rests, into);
  GAS = h;
  double used = h * (1 + 2 * m[ASHARE]) + 0.5 * p;
  if (sugar > 0 && used > FASTEST * sugar) FASTEST = used / sugar;
  into[4] = -used; into[5] = h + p; into[6] = m[ASHARE] * h;
}
int main(int argc, char **argv) {
  int members = atoi(argv[2]), outputs = atoi(argv[3]);
  double *all = malloc(sizeof(double) * members * FIELDS), *hours = malloc(sizeof(double) * outputs);
  FILE *file = fopen(argv[1], "rb");
  if (!file || fread(all, sizeof(double), members * FIELDS, file) != (size_t)(members * FIELDS) || fread(hours, sizeof(double), outputs, file) != (size_t)outputs) return 1;
  double scale = 1000 * pow(10, 0.1345);
  for (int i = 0; i <= STEPS; i++) {
    double ph = LOW + i / 100.0;
    LAC[i] = charge(ph, PK_LAC, 1); ACE[i] = charge(ph, PK_ACE, 1); HYD[i] = scale * pow(10, -ph); CIT[i] = charge(ph, PK_CIT, 3); MAL[i] = charge(ph, PK_MAL, 2);
  }
  double best = 1e9, sum = 0, *shown = malloc(sizeof(double) * outputs * SHOWN);
  for (int turn = 0; turn < 5; turn++) {
    struct timespec from, to;
    clock_gettime(CLOCK_MONOTONIC, &from);
    sum = 0;
    for (int one = 0; one < members; one++) {
      const double *m = all + one * FIELDS;
      double base = m[CITRIC] * lookup(CIT, m[STARTPH]) + m[MALIC] * lookup(MAL, m[STARTPH]) + m[BUFFER] * m[STARTPH];
      for (int i = 0; i <= STEPS; i++) nat[i] = m[CITRIC] * CIT[i] + m[MALIC] * MAL[i] + m[BUFFER] * (LOW + i / 100.0) - base;
      freeH = scale * pow(10, -m[STARTPH]);
      double y[7] = {m[START] > 0 ? log(m[START]) : -80, m[ADAPTED], m[P + START] > 0 ? log(m[P + START]) : -80, m[ADAPTED], m[HEXOSE], 0, 0}, first[7], second[7], trial[7];
      double hour = 0, dt = 0.1, before = m[STARTPH], gas = 0;
      PH = m[STARTPH];
      rates(m, y, first);
      for (int k = 0; k < outputs; k++) {
        while (hour < hours[k] - 1e-9) {
          double gasBefore = GAS, ph = PH, slope = fabs(ph - before) / dt;
          dt = fmax(0.1, fmin(fmin(0.5 / (FASTEST + 0.01), slope > 0 ? 0.12 / slope : 24), 24));
          if (hour + dt > hours[k]) dt = hours[k] - hour;
          for (int s = 0; s < 7; s++) trial[s] = y[s] + dt * first[s];
          if (trial[4] < 0) trial[4] = 0;
          rates(m, trial, second);
          for (int s = 0; s < 7; s++) y[s] += dt / 2 * (first[s] + second[s]);
          if (y[4] < 0) y[4] = 0;
          if (y[1] > 1) y[1] = 1;
          if (y[3] > 1) y[3] = 1;
          gas += dt / 2 * (gasBefore + GAS);
          before = ph;
          hour += dt;
          rates(m, y, first);
        }
        double *row = shown + k * SHOWN;
        row[0] = row[1] = row[2] = PH;
        row[3] = gas; row[4] = GAS * 24; row[5] = y[5]; row[6] = y[6];
        row[7] = 9 + log10(exp(y[0]) + exp(y[2]));
        sum += PH;
      }
    }
    clock_gettime(CLOCK_MONOTONIC, &to);
    double ms = (to.tv_sec - from.tv_sec) * 1e3 + (to.tv_nsec - from.tv_nsec) / 1e6;
    if (ms < best) best = ms;
  }
  printf("%f %f %f\n", best, sum, shown[7]);
  return 0;
}
