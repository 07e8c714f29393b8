// SPDX-License-Identifier: GPL-3.0-or-later
// Work behind the window, one way for all of it: the newest wish alone or one after another, stopped, paused,
// told how far it is, handing over parts as they are ready; a fault ends that work alone and is delivered to
// somebody.
#pragma once
#include <QObject>
#include <QString>
#include <chrono>
#include <condition_variable>
#include <deque>
#include <functional>
#include <memory>
#include <mutex>
#include <optional>
#include <thread>
#include <vector>

#include "base/progress.h"

namespace yemvo::app {

class Behind;

/// A job that has begun.
struct BegunJob {
    CancelToken cancel;
    std::chrono::steady_clock::time_point since;
    QString doing;
    double share = -1;
    int generation;  ///< how often all was stopped before it
};

/// What work sees of the world while it runs, on its own thread.
class AtWork {
public:
    const CancelToken& cancel() const { return job_->cancel; }
    /// Throws Cancelled once it was stopped; waits while it is paused.
    void check() const;
    bool newer_waits() const;
    /// How far it is, 0 to 1; from any thread, as often as one likes.
    void tell(double share) const;
    /// Another word for what is being done.
    void say(const QString& doing) const;
    /// Runs this on the window's thread, in order, unless the work was stopped by then.
    void hand_over(std::function<void()>) const;

private:
    friend class Behind;
    AtWork(Behind& behind, std::shared_ptr<BegunJob> job) : behind_(behind), job_(std::move(job)) {}
    Behind& behind_;
    std::shared_ptr<BegunJob> job_;
};

/// `done`, `failed` and `ended` run on the window's thread.
struct Job {
    QString doing;  ///< "Opening Mill.yemvo"; empty: not worth a word
    std::function<void(const AtWork&)> work;
    std::function<void(const QString& why)> failed;  ///< always somebody's: work may throw whatever it likes
    std::function<void()> done = {};                 ///< not after it was stopped
    std::function<void()> ended = {};                ///< in any case, last
};

/// A job whose result goes to `done`.
template <class Work, class Done>
Job job(QString doing, Work work, Done done, std::function<void(const QString&)> failed) {
    using Result = decltype(work(std::declval<const AtWork&>()));
    const auto result = std::make_shared<std::optional<Result>>();
    return {std::move(doing),
            [result, work = std::move(work)](const AtWork& at) { result->emplace(work(at)); },
            std::move(failed), [result, done = std::move(done)] { done(std::move(**result)); }};
}

class Behind : public QObject {
    Q_OBJECT
public:
    enum class Takes {
        newest,  ///< a newer wish stops what runs and takes the place of what waits
        all      ///< one after another; all of it is done before this goes
    };
    struct Manner {
        Takes takes = Takes::newest;
        /// So long nothing newer has to come before work starts, since the hand goes first.
        std::chrono::milliseconds pause{0};
        /// A newer wish leaves what has run for less than this in peace, so that something arrives; then it
        /// is stopped.
        std::chrono::milliseconds patience{0};
        /// More than one for work that cannot be stopped half-way: what was given up does not hold up the
        /// next.
        int threads = 1;
        /// Long work on every core: the window goes first (give_way_to_others).
        bool gives_way = false;
    };
    Behind();
    explicit Behind(Manner, QObject* parent = nullptr);
    ~Behind() override;

    void request(Job);
    /// Stops what runs and forgets what waits; nothing of it is handed over any more.
    void stop();
    void pause(bool);
    bool is_paused() const;
    bool is_idle() const;

    struct Progress {
        QString doing;                                  ///< empty: nothing worth a word goes on
        double share = -1;                              ///< 0 to 1; -1: not told
        std::optional<std::chrono::seconds> left = {};  ///< once it can be told
    };
    Progress progress() const;
    /// "Predicting, 40 %, 12 s left"
    QString words() const;

signals:
    void progressed();  ///< on the window's thread, ten times a second at most

    void went_on();        ///< on any thread
    void outcome_waits();  ///< on any thread

private:
    friend class AtWork;
    using Clock = std::chrono::steady_clock;
    void run();
    void stop_impatiently();
    void lose_patience();
    /// What is to be told afterwards on the window's thread.
    std::function<void()> work_on(const Job&, const std::shared_ptr<BegunJob>&);
    void tell_progress(bool at_once);
    void deliver(int generation, std::function<void()>);
    struct Outcome {
        std::optional<int> generation;  ///< none: it is told in any case
        std::function<void()> tell;
    };
    void post(Outcome);
    void take_outcome();
    mutable std::mutex mutex_;
    std::condition_variable wake_;
    Manner manner_;
    std::deque<Job> waiting_;
    std::deque<Outcome> outcomes_;
    std::vector<std::shared_ptr<BegunJob>> running_;
    std::vector<std::thread> threads_;
    int idle_threads_ = 0, generation_ = 0;
    Clock::time_point told_{};
    bool paused_ = false, stop_ = false;
};

}  // namespace yemvo::app
