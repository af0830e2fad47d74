// Worklists as figures give them, drawn by a seed: wire, windings in their order, glue that dries, clay in
// the oven, a coat from tail to head.
#pragma once

#include "make/worklist.h"

#include <cmath>
#include <random>

namespace columna::test {

enum DrawnStation {
  Paper,
  WireBench,
  GlueBench,
  Wax,
  CoreWool,
  CoatWool,
  Clay,
  FlatFelt,
  FaceWool,
  Look,
  kDrawnStations
};

class DrawnWork {
public:
  DrawnWork(int count, unsigned seed) : draw_(seed) {
    list.layOut = {2, 3, 3, 8, 3, 5, 6, 4, 3, 2};
    const int sheet = add(Paper, 10, {});
    const int heaps = add(Paper, some(12), {});
    const int cut = add(WireBench, 15, {sheet});
    std::vector<int> bent;
    for (int i = 0; i < 5; ++i) bent.push_back(add(WireBench, some(14), {cut}, 0));
    const int join = add(WireBench, some(15), bent);
    const int glue = add(GlueBench, 4, {join});
    whole(glue);
    const int roll = add(Clay, some(15), {});
    const int in = add(Clay, 2, {roll});
    const int out = add(Clay, 2, {});
    whole(in);
    whole(out);
    follow(in, out, 25);
    job(in).call = out;
    job(in).callAfter = 25;
    job(in).callWithin = 5;
    job(out).called = true;
    const int varnish = add(GlueBench, 6, {});
    whole(varnish);
    follow(out, varnish, 30);
    const int trunk = add(CoreWool, some(40), {heaps});
    follow(glue, trunk, 480);
    const int firm = add(CoreWool, some(55), {trunk});
    std::vector<int> limbs;
    for (int i = 0; i < 6; ++i) {
      const int wind = add(CoreWool, some(12), {trunk}, 1);
      limbs.push_back(add(CoreWool, some(20), {wind}, 2));
    }
    std::vector<int> padded{firm};
    for (int i = 0; i < count / 8; ++i)
      padded.push_back(add(CoreWool, some(9), {firm, limbs[static_cast<size_t>(i) % limbs.size()]}));
    const int skin = add(CoreWool, some(30), padded);
    const int sockets = add(FaceWool, some(30), {skin});
    const int eyes = add(GlueBench, 6, {sockets});
    whole(eyes);
    follow(varnish, eyes, 720);
    const int lids = add(FaceWool, some(15), {});
    follow(eyes, lids, 480);
    const int stand = add(Look, 8, {skin});
    const int ears = add(FlatFelt, some(30), {});
    int coat = stand;
    while (static_cast<int>(list.jobs.size()) < count - 4)
      if (list.jobs.size() % 3 == 0)
        add(FlatFelt, some(9), {}, 3);
      else
        coat = add(CoatWool, some(18), {coat}, 4);
    const int joined = add(CoreWool, some(12), {coat, ears, lids});
    const int trim = add(CoatWool, some(20), {joined});
    const int perch = add(GlueBench, 6, {trim});
    whole(perch);
    const int last = add(Look, 10, {});
    follow(perch, last, 480);
  }
  Worklist list;

private:
  Job& job(int j) { return list.jobs[static_cast<size_t>(j)]; }
  void whole(int j) { job(j).pausable = false; }
  void follow(int before, int after, int lag) { list.follows.push_back({before, after, lag}); }
  int add(int station, int minutes, const std::vector<int>& after, int batch = -1) {
    list.jobs.push_back({minutes, station, true, batch});
    const int j = static_cast<int>(list.jobs.size()) - 1;
    for (const int before : after) follow(before, j, 0);
    return j;
  }
  int some(double middle) {
    return std::max(1, static_cast<int>(std::lround(middle * std::exp(0.35 * spread()))));
  }
  double spread() { // no distribution of the library's: the same everywhere
    double sum = -6;
    for (int i = 0; i < 12; ++i) sum += static_cast<double>(draw_()) / 4294967296.0;
    return sum;
  }
  std::mt19937 draw_;
};

} // namespace columna::test
