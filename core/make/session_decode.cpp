#include "make/session_decode.h"

#include <algorithm>
#include <limits>

namespace columna {

Links::Links(const Worklist& list) : out(list.jobs.size()), in(list.jobs.size()) {
  for (const Follow& f : list.follows) {
    out[static_cast<size_t>(f.before)].push_back({f.after, f.lag});
    in[static_cast<size_t>(f.after)].push_back({f.before, f.lag});
  }
  std::vector<size_t> waits;
  for (const auto& each : in) waits.push_back(each.size());
  for (size_t j = 0; j < waits.size(); ++j)
    if (waits[j] == 0) order.push_back(static_cast<int>(j));
  for (size_t q = 0; q < order.size(); ++q)
    for (const To& to : out[static_cast<size_t>(order[q])])
      if (--waits[static_cast<size_t>(to.job)] == 0) order.push_back(to.job);
}

bool Placement::before(const Placement& other) const {
  if (finish != other.finish) return finish < other.finish;
  if (layMinutes != other.layMinutes) return layMinutes < other.layMinutes;
  return apart < other.apart;
}

void letGoOfCalls(Worklist& list, const OpenTime& time) {
  int longest = 0;
  int begun = 0;
  int session = -1;
  for (const OpenStretch& s : time.stretches()) {
    if (s.session != session) begun = s.from;
    session = s.session;
    longest = std::max(longest, s.to - begun);
  }
  for (Job& j : list.jobs) {
    if (j.call < 0) continue;
    Job& called = list.jobs[static_cast<size_t>(j.call)];
    const int all = list.layOut[static_cast<size_t>(j.station)] + j.minutes + j.callAfter + called.minutes;
    if (all <= longest) continue;
    called.called = false;
    j.call = -1;
  }
}

namespace {

/// One placing, from the first open moment to the last job.
class Placing {
public:
  Placing(const Worklist& list, const Links& links, const OpenTime& time, const std::vector<int>& latest,
          const PlaceRule& rule, bool stretches)
      : list_(list), links_(links), time_(time), latest_(latest), rule_(rule), detailed_(stretches),
        t_(list.now) {
    const size_t count = list.jobs.size();
    out_.begin.assign(count, -1);
    out_.end.assign(count, -1);
    out_.order.reserve(count);
    if (detailed_) out_.stretches.resize(count);
    for (size_t j = 0; j < count; ++j) {
      waits_.push_back(static_cast<int>(links.in[j].size()));
      release_.push_back(std::max(list.now, list.jobs[j].release));
      if (waits_[j] == 0 && !list.jobs[j].called) ready_.push_back(static_cast<int>(j));
    }
    waiting_.assign(list.layOut.size(), 0);
  }

  Placement run() {
    const size_t count = list_.jobs.size();
    while (out_.order.size() < count) {
      if (ready_.empty() && !due_) return std::move(out_);
      at_ = time_.at(t_);
      if (at_ >= time_.stretches().size()) return std::move(out_);
      t_ = std::max(t_, time_.stretches()[at_].from);
      if (due_ && t_ >= due_->from) {
        answer();
        continue;
      }
      if (time_.stretches()[at_].session != session_) {
        session_ = time_.stretches()[at_].session;
        station_ = -1;
      }
      const int best = choose();
      if (best < 0) {
        wait();
      } else if (!work(best)) {
        return std::move(out_);
      }
    }
    out_.finish = 0;
    for (const int end : out_.end) out_.finish = std::max(out_.finish, end);
    countApart();
    return std::move(out_);
  }

private:
  struct Due {
    int from = 0, job = 0;
  };

  [[nodiscard]] const Job& job(int j) const { return list_.jobs[static_cast<size_t>(j)]; }
  [[nodiscard]] int layOf(const Job& j) const {
    return j.station == station_ ? 0 : list_.layOut[static_cast<size_t>(j.station)];
  }
  [[nodiscard]] int limit() const { return due_ ? due_->from : OpenTime::kNever; }

  /// The job that had to be gone back to: nothing is laid out for it.
  void answer() {
    const int j = due_->job;
    due_.reset();
    note(j, t_, t_ + job(j).minutes);
    out_.begin[static_cast<size_t>(j)] = t_;
    t_ += job(j).minutes;
    out_.end[static_cast<size_t>(j)] = t_;
    station_ = job(j).station;
    complete(j);
  }

  void note(int j, int from, int to) {
    if (detailed_ && to > from) out_.stretches[static_cast<size_t>(j)].push_back({from, to, session_});
  }

  void complete(int j) {
    out_.order.push_back(j);
    for (const Links::To& to : links_.out[static_cast<size_t>(j)]) {
      const auto k = static_cast<size_t>(to.job);
      release_[k] = std::max(release_[k], out_.end[static_cast<size_t>(j)] + to.lag);
      if (--waits_[k] == 0 && !list_.jobs[k].called) ready_.push_back(to.job);
    }
  }

  [[nodiscard]] bool fits(const Job& j, int room) const {
    const int lay = layOf(j);
    if (j.pausable) return room - lay >= std::min(j.minutes, std::max(kLeastBite, lay));
    const OpenStretch& here = time_.stretches()[at_];
    const int end = t_ + lay + j.minutes;
    if (end > std::min(here.to, limit())) return false;
    if (j.call < 0) return true;
    // It has to be come back to in this session.
    const int back = end + j.callAfter;
    const size_t there = time_.at(back);
    if (due_ || there >= time_.stretches().size() || time_.stretches()[there].session != session_)
      return false;
    const int from = std::max(back, time_.stretches()[there].from);
    return from - back <= j.callWithin && from + job(j.call).minutes <= time_.stretches()[there].to;
  }

  /// Place among the ready of what presses most; -1 where nothing may begin now.
  int choose() {
    nextRelease_ = OpenTime::kNever;
    const int room = time_.between(t_, std::min(time_.sessionEnd(at_), limit()));
    if (rule_.fill > 0) {
      std::fill(waiting_.begin(), waiting_.end(), 0);
      for (const int j : ready_)
        if (release_[static_cast<size_t>(j)] <= t_)
          waiting_[static_cast<size_t>(job(j).station)] += job(j).minutes;
    }
    const int lastBatch = out_.order.empty() ? -1 : job(out_.order.back()).batch;
    int best = -1;
    std::int64_t least = std::numeric_limits<std::int64_t>::max();
    for (size_t q = 0; q < ready_.size(); ++q) {
      const auto j = static_cast<size_t>(ready_[q]);
      if (release_[j] > t_) {
        nextRelease_ = std::min(nextRelease_, release_[j]);
        continue;
      }
      const Job& one = list_.jobs[j];
      if (!fits(one, room)) continue;
      std::int64_t v = latest_[j] + rule_.key[j] - one.press;
      if (one.station == station_) v -= rule_.stick;
      if (one.batch >= 0 && one.batch == lastBatch) v -= rule_.batch;
      if (rule_.fill > 0) v -= rule_.fill * std::min(waiting_[static_cast<size_t>(one.station)], room);
      if (v < least || (v == least && ready_[q] < ready_[static_cast<size_t>(best)])) {
        least = v;
        best = static_cast<int>(q);
      }
    }
    return best;
  }

  /// Until something changes.
  void wait() {
    int next = time_.stretches()[at_].to;
    for (const int other : {limit(), nextRelease_})
      if (other > t_) next = std::min(next, other);
    t_ = next;
  }

  void layOut(const Job& j) {
    const int lay = layOf(j);
    if (j.station == station_) return;
    t_ += lay;
    out_.layMinutes += lay;
    ++out_.layOuts;
    station_ = j.station;
  }

  /// Places one over its stretches; false where the time runs out.
  bool work(int place) {
    const int j = ready_[static_cast<size_t>(place)];
    ready_[static_cast<size_t>(place)] = ready_.back();
    ready_.pop_back();
    const Job& one = job(j);
    layOut(one);
    int left = one.minutes;
    bool begun = false;
    while (left > 0) {
      const size_t k = time_.at(t_);
      if (k >= time_.stretches().size()) return false;
      const OpenStretch& here = time_.stretches()[k];
      t_ = std::max(t_, here.from);
      if (here.session != session_) {
        if (due_) return false;
        session_ = here.session;
        station_ = -1;
        layOut(one);
      }
      if (due_ && t_ >= due_->from) {
        answer();
        station_ = one.station; // the hand goes back to what lies there
        continue;
      }
      const int minutes = std::min(left, std::min(here.to, limit()) - t_);
      if (minutes <= 0) {
        t_ = std::max(t_, here.to);
        continue;
      }
      if (!begun) out_.begin[static_cast<size_t>(j)] = t_;
      begun = true;
      note(j, t_, t_ + minutes);
      left -= minutes;
      t_ += minutes;
    }
    out_.end[static_cast<size_t>(j)] = t_;
    complete(j);
    if (one.call >= 0) due_ = Due{time_.align(t_ + one.callAfter), one.call};
    return true;
  }

  void countApart() {
    std::vector<int> ended;
    int last = -1;
    for (const int j : out_.order) {
      const int batch = job(j).batch;
      if (batch != last && last >= 0) ended.push_back(last);
      if (batch >= 0 && batch != last && std::find(ended.begin(), ended.end(), batch) != ended.end())
        ++out_.apart;
      last = batch;
    }
  }

  const Worklist& list_;
  const Links& links_;
  const OpenTime& time_;
  const std::vector<int>& latest_;
  const PlaceRule& rule_;
  bool detailed_;
  int t_;
  size_t at_ = 0; ///< the stretch it is in
  int station_ = -1, session_ = -1;
  int nextRelease_ = OpenTime::kNever;
  std::optional<Due> due_;
  std::vector<int> waits_, release_, ready_, waiting_;
  Placement out_;
};

} // namespace

Placement placed(const Worklist& list, const Links& links, const OpenTime& time,
                 const std::vector<int>& latest, const PlaceRule& rule, bool stretches) {
  return Placing(list, links, time, latest, rule, stretches).run();
}

} // namespace columna
