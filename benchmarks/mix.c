/* The same balance in plain C: twelve parts poured together, then pH with Davies activities by Newton inside a bracket.
   Input: parts (water, salt, SID, 13 acids) × 12 as doubles; the table of acids (site, steps, three pKa) × 13; then how often. Prints ns a blend and its pH. */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>
#define PARTS 12
#define ACIDS 13
#define WIDTH (3 + ACIDS)
static double table[ACIDS][5];
static double davies(double strength) {
  double held = strength < 0 ? 0 : strength > 1 ? 1 : strength, root = sqrt(held);
  return -0.5092 * (root / (1 + root) - 0.3 * root * root);
}
static double steps[ACIDS][3], now[ACIDS][3];
static void activate(double log) {
  double g = exp(-log * M_LN10);
  for (int acid = 0; acid < ACIDS; acid++) {
    double factor = table[acid][0] ? 1 : g, more = table[acid][0] ? 1 : g * g;
    for (int k = 0; k < 3; k++) { now[acid][k] = steps[acid][k] * factor; factor *= more; }
  }
}
static void charges(const double *mmol, double ten, double *sum, double *squares, double *slope) {
  *sum = *squares = *slope = 0;
  for (int acid = 0; acid < ACIDS; acid++) {
    if (mmol[acid] == 0) continue;
    double one = ten * now[acid][0], two = one * ten * now[acid][1], three = two * ten * now[acid][2], share = 1 / (1 + one + two + three);
    double mean = (one + 2 * two + 3 * three) * share, square = (one + 4 * two + 9 * three) * share;
    *sum += mmol[acid] * mean; *squares += mmol[acid] * square; *slope += mmol[acid] * M_LN10 * (square - mean * mean);
  }
}
static double ions(double pH, double log) { return 1000 * (exp((-pH - log) * M_LN10) + exp((pH - 13.995 - log) * M_LN10)); }
static double root(double sid, const double *mmol, double log, double start) {
  double low = -1, high = 15, pH = start, sum, squares, slope, hydrogen = 1000 * exp(-log * M_LN10), hydroxide = pow(10, -13.995) * hydrogen;
  activate(log);
  for (int pass = 0; pass < 100; pass++) {
    double ten = exp(pH * M_LN10), h = hydrogen / ten, oh = hydroxide * ten;
    charges(mmol, ten, &sum, &squares, &slope);
    double residual = sid + h - oh - sum;
    if (residual > 0) low = pH; else high = pH;
    double newton = pH - residual / (-M_LN10 * (h + oh) - slope), next = newton > low && newton < high ? newton : (low + high) / 2;
    if (fabs(next - pH) < 1e-9) return next;
    pH = next;
  }
  return pH;
}
static double balance(const double *parts) {
  double total[WIDTH] = {0}, sum, squares, slope;
  for (int part = 0; part < PARTS; part++) for (int at = 0; at < WIDTH; at++) total[at] += parts[part * WIDTH + at];
  double scale = 1000 / total[0], salt = total[1] / 58.443 * 1000 * scale, sid = total[2] * scale, mmol[ACIDS];
  for (int acid = 0; acid < ACIDS; acid++) mmol[acid] = total[3 + acid] * scale;
  double log = davies((2 * salt + fabs(sid)) / 2000), pH = root(sid, mmol, log, 4);
  for (int pass = 0; pass < 20; pass++) {
    charges(mmol, exp(pH * M_LN10), &sum, &squares, &slope);
    double next = davies((2 * salt + fabs(sid) + squares + ions(pH, log)) / 2000);
    if (fabs(next - log) < 1e-9) break;
    log = next; pH = root(sid, mmol, log, pH);
  }
  return pH;
}
int main(int count, char **argument) {
  static double parts[PARTS * WIDTH];
  FILE *file = fopen(argument[1], "rb");
  int turns = count > 2 ? atoi(argument[2]) : 1000;
  if (!file || fread(parts, sizeof parts, 1, file) != 1 || fread(table, sizeof table, 1, file) != 1) return 1;
  for (int acid = 0; acid < ACIDS; acid++) for (int k = 0; k < 3; k++) steps[acid][k] = k < (int)table[acid][1] ? pow(10, -table[acid][2 + k]) : 0;
  double pH = 0, best = 1e30;
  for (int batch = 0; batch < 5; batch++) {
    struct timespec from, to;
    clock_gettime(CLOCK_MONOTONIC, &from);
    for (int turn = 0; turn < turns; turn++) { parts[0] += 1e-9; pH = balance(parts); }
    clock_gettime(CLOCK_MONOTONIC, &to);
    double ns = ((to.tv_sec - from.tv_sec) * 1e9 + to.tv_nsec - from.tv_nsec) / turns;
    if (ns < best) best = ns;
  }
  printf("%.1f %.9f\n", best, pH);
  return 0;
}
