// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/behind/behind.h"

#include <QTimer>
#include <algorithm>
#include <cmath>
#include <new>
#include <utility>

#include "base/background.h"
#include "render/tr.h"

namespace yemvo::app {

using namespace std::chrono_literals;

void AtWork::check() const {
    std::unique_lock lock(behind_.mutex_);
    behind_.wake_.wait(lock,
                       [this] { return !behind_.paused_ || job_->cancel.cancelled() || behind_.stop_; });
    lock.unlock();
    job_->cancel.check();
}

bool AtWork::newer_waits() const {
    const std::lock_guard lock(behind_.mutex_);
    return !behind_.waiting_.empty();
}

void AtWork::tell(double share) const {
    {
        const std::lock_guard lock(behind_.mutex_);
        job_->share = std::clamp(share, 0.0, 1.0);
    }
    behind_.tell_progress(false);
}

void AtWork::say(const QString& doing) const {
    {
        const std::lock_guard lock(behind_.mutex_);
        job_->doing = doing;
    }
    behind_.tell_progress(true);
}

void AtWork::hand_over(std::function<void()> part) const {
    behind_.deliver(job_->generation, std::move(part));
}

Behind::Behind() : Behind(Manner()) {}
Behind::Behind(Manner manner, QObject* parent) : QObject(parent), manner_(manner) {
    connect(this, &Behind::went_on, this, &Behind::progressed, Qt::QueuedConnection);
    connect(this, &Behind::outcome_waits, this, &Behind::take_outcome, Qt::QueuedConnection);
}

Behind::~Behind() {
    {
        const std::lock_guard lock(mutex_);
        stop_ = true;
        paused_ = false;
        if (manner_.takes == Takes::newest) {
            waiting_.clear();
            for (const auto& r : running_) r->cancel.cancel();
        }
    }
    wake_.notify_all();
    for (std::thread& t : threads_) t.join();
}

void Behind::request(Job job) {
    {
        const std::lock_guard lock(mutex_);
        if (manner_.takes == Takes::newest) {
            waiting_.clear();
            stop_impatiently();
            if (!running_.empty() && manner_.patience.count() > 0)
                QTimer::singleShot(manner_.patience + 2ms, Qt::PreciseTimer, this, &Behind::lose_patience);
        }
        waiting_.push_back(std::move(job));
        if (idle_threads_ == 0 && static_cast<int>(threads_.size()) < manner_.threads)
            threads_.emplace_back([this] { run(); });
    }
    wake_.notify_all();
}

/// The mutex is held.
void Behind::stop_impatiently() {
    for (const auto& r : running_)
        if (Clock::now() - r->since >= manner_.patience) r->cancel.cancel();
}

/// What ran when something newer came has had its time; what waits need not be the last to come.
void Behind::lose_patience() {
    const std::lock_guard lock(mutex_);
    if (!waiting_.empty()) stop_impatiently();
}

void Behind::stop() {
    {
        const std::lock_guard lock(mutex_);
        ++generation_;
        waiting_.clear();
        for (const auto& r : running_) {
            r->cancel.cancel();
            r->doing.clear();
        }
    }
    wake_.notify_all();
    tell_progress(true);
}

void Behind::pause(bool on) {
    {
        const std::lock_guard lock(mutex_);
        paused_ = on;
    }
    wake_.notify_all();
    tell_progress(true);
}

bool Behind::is_paused() const {
    const std::lock_guard lock(mutex_);
    return paused_;
}

bool Behind::is_idle() const {
    const std::lock_guard lock(mutex_);
    return running_.empty() && waiting_.empty();
}

Behind::Progress Behind::progress() const {
    const std::lock_guard lock(mutex_);
    for (const auto& r : running_) {
        if (r->doing.isEmpty()) continue;
        Progress p{r->doing, r->share};
        const double spent_s = std::chrono::duration<double>(Clock::now() - r->since).count();
        // the first moments say too little about the rest
        if (r->share > 0.02 && spent_s > 2)
            p.left = std::chrono::seconds(std::lround(spent_s * (1 - r->share) / r->share));
        return p;
    }
    if (manner_.takes == Takes::all && !waiting_.empty()) return {waiting_.front().doing};
    return {};
}

QString Behind::words() const {
    const Progress p = progress();
    if (p.doing.isEmpty()) return {};
    QString words = p.doing;
    if (is_paused()) return words + tr(", paused");
    if (p.share >= 0) words += tr(", %1 %").arg(static_cast<int>(100 * p.share));
    if (p.left && p.left->count() >= 2)
        words += p.left->count() < 90 ? tr(", %1 s left").arg(p.left->count())
                                      : tr(", %1 min left").arg((p.left->count() + 30) / 60);
    return words;
}

void Behind::tell_progress(bool at_once) {
    {
        const std::lock_guard lock(mutex_);
        const auto now = Clock::now();
        if (!at_once && now - told_ < 100ms) return;
        told_ = now;
    }
    emit went_on();
}

/// What comes after this object is gone, or after stop(), is dropped.
void Behind::deliver(int generation, std::function<void()> part) {
    const std::lock_guard lock(mutex_);
    post({generation, std::move(part)});
}

/// The mutex is held. What is told stands in a queue of our own, so that it changes threads under our lock.
void Behind::post(Outcome outcome) {
    if (!outcome.tell) return;
    outcomes_.push_back(std::move(outcome));
    emit outcome_waits();
}

void Behind::take_outcome() {
    Outcome outcome;
    {
        const std::lock_guard lock(mutex_);
        outcome = std::move(outcomes_.front());
        outcomes_.pop_front();
        if (outcome.generation && outcome.generation != generation_) return;
    }
    outcome.tell();
}

std::function<void()> Behind::work_on(const Job& job, const std::shared_ptr<BegunJob>& mine) {
    const auto fault = [&](const QString& why) { return [failed = job.failed, why] { failed(why); }; };
    try {
        const AtWork at(*this, mine);
        at.check();
        job.work(at);
        return job.done;
    } catch (const Cancelled&) {
        return {};  // somebody stopped it, or something newer waits
    } catch (const std::bad_alloc&) {
        return fault(tr("there is not enough memory for it"));
    } catch (const std::exception& e) {
        return fault(fault_text(e));
    } catch (...) {
        return fault(tr("for a reason that nobody told"));
    }
}

void Behind::run() {
    if (manner_.gives_way) give_way_to_others();
    std::unique_lock lock(mutex_);
    while (true) {
        ++idle_threads_;
        const auto ready = [this] { return stop_ || (!waiting_.empty() && !paused_); };
        wake_.wait(lock, ready);
        while (!stop_ && manner_.pause.count() > 0 &&
               wake_.wait_for(lock, manner_.pause) == std::cv_status::no_timeout) {
        }
        --idle_threads_;
        if (waiting_.empty()) {
            if (stop_) return;
            continue;
        }
        const Job job = std::move(waiting_.front());
        waiting_.pop_front();
        const auto mine =
            std::make_shared<BegunJob>(BegunJob{CancelToken(), Clock::now(), job.doing, -1, generation_});
        running_.push_back(mine);
        lock.unlock();
        if (!job.doing.isEmpty()) tell_progress(true);
        std::function<void()> outcome = work_on(job, mine);
        // on its way before anybody sees that nothing runs any more, and not run before that
        lock.lock();
        post({mine->generation, std::move(outcome)});
        post({{}, job.ended});
        std::erase(running_, mine);
        lock.unlock();
        if (!job.doing.isEmpty()) tell_progress(true);
        lock.lock();
    }
}

}  // namespace yemvo::app
