// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/prediction/prediction_runner.h"

#include <algorithm>

#include "app/model/prediction.h"
#include "base/free_memory.h"
#include "project/project.h"
#include "project/working_radio.h"
#include "render/tr.h"

namespace yemvo::app {

using namespace std::chrono_literals;

/// Fields of all floors are kept side by side up to this part of the budget; a site that needs more is judged
/// floor by floor.
static constexpr std::size_t part_for_fields = 4;

PredictionRunner::PredictionRunner(const std::shared_ptr<MemoryBudget>& budget, QObject* parent)
    : QObject(parent), predictor_(budget), behind_({Behind::Takes::newest, 0ms, 250ms}) {
    connect(&behind_, &Behind::progressed, this, &PredictionRunner::progressed);
}

void PredictionRunner::request(const Project& project, FloorId in_view, WantedWork more, int of) {
    behind_.request({tr("Predicting"),
                     [this, request = Request{project, in_view, std::move(more), of}](const AtWork& at) {
                         run(request, at);
                         if (!at.newer_waits()) tidy();
                     },
                     [this](const QString& why) { emit failed(tr("The prediction failed: %1").arg(why)); }});
}

/// Not in the pauses of a drag.
void PredictionRunner::tidy() {
    floors_.rest();
    if (const auto now = std::chrono::steady_clock::now(); now - tidied_ > 10s) {
        give_back_free_memory();
        tidied_ = now;
    }
}

void PredictionRunner::hand_over(const AtWork& at, std::shared_ptr<const Prediction> prediction) {
    at.hand_over([this, prediction = std::move(prediction)] { emit ready(prediction); });
}

/// The floor in view first.
static std::vector<FloorId> in_order(const Project& project, FloorId in_view) {
    std::vector<FloorId> order{in_view};
    for (const Floor* floor : all_floors(project))
        if (floor->id != in_view) order.push_back(floor->id);
    return order;
}

/// About what the fields of all radios on all floors take together, if each reached every floor.
static std::size_t field_bytes(const Project& project) {
    const std::size_t radios = radios_at_work(project).size();
    double cells = 0;
    const double cell_m2 = project.settings.grid_m * project.settings.grid_m;
    for (const Floor* f : all_floors(project))
        if (const auto box = extent(*f)) cells += std::min(box->width() * box->height() / cell_m2, 4e6);
    return static_cast<std::size_t>(cells) * radios * sizeof(std::int16_t);
}

PredictionWish PredictionRunner::Request::wish() const {
    PredictionWish wish = wish_to_judge(project);
    wish.deviation = wish.deviation || more.deviation;
    wish.cables = more.cables;
    return wish;
}

std::vector<FloorQuestion> PredictionRunner::Request::questions() const {
    std::vector<FloorQuestion> all;
    for (const auto& [type, work] : more.of_site) all.push_back(work.of_floor);
    return all;
}

/// `answers`: of each floor, one a question.
static void put_together(const WantedWork& more, const std::vector<std::vector<Answer>>& answers,
                         Prediction& to, const CancelToken& cancel) {
    for (std::size_t q = 0; q < more.of_site.size(); ++q) {
        const auto& [type, work] = more.of_site[q];
        std::vector<Answer> of_floors;
        for (const std::vector<Answer>& floor : answers) of_floors.push_back(floor[q]);
        const Answer all = work.of_all(of_floors, cancel);
        if (work.judge && to.verdict) work.judge(*to.verdict, all);
        if (work.air)
            for (FloorPrediction& floor : to.site.floors) floor.air = work.air(all);
        to.more.put(type, all);
    }
}

PredictionRunner::Judged PredictionRunner::judge_floors(const Request& request,
                                                        const std::vector<FloorId>& order,
                                                        const FloorPrediction& in_view, const AtWork& at) {
    SiteJudge judge(request.project);
    FloorByFloor::Wish asked{request.wish(), request.questions()};
    asked.prediction.cables = false;  // no verdict and no question looks at them
    Judged judged{request.project, asked.prediction.deviation, {}, {}, {}};
    for (const FloorQuestion& q : asked.questions) judged.asked.push_back(q.key);
    const int all = static_cast<int>(order.size());
    int done = 0;
    for (FloorId id : order) {
        asked.prediction.progress = [&at, done, all](double share) { at.tell((done + share) / all); };
        JudgedFloor floor = id == in_view.floor
                                ? floors_.judged(judge, request.project, in_view, asked, at.cancel())
                                : floors_.judged(judge, request.project, id, asked, at.cancel());
        judge.add(floor.part);
        judged.answers.push_back(std::move(floor.answers));
        ++done;
        at.hand_over([this, done, all] { emit judged_so_far(done, all); });
        at.check();
    }
    judged.verdict = judge.verdict();
    return judged;
}

bool PredictionRunner::is_judged(const Request& request) const {
    if (!judged_ || judged_->deviation != request.wish().deviation) return false;
    std::vector<std::string> asked;
    for (const FloorQuestion& q : request.questions()) asked.push_back(q.key);
    return judged_->asked == asked && judged_->project == request.project;
}

void PredictionRunner::run_by_floors(const Request& request, const std::vector<FloorId>& order,
                                     std::shared_ptr<Prediction> whole, const AtWork& at) {
    PredictionWish wish = request.wish();
    wish.progress = [&at, all = order.size()](double share) { at.tell(share / static_cast<double>(all)); };
    const FloorPrediction in_view =
        predictor_.predict(request.project, {order.front()}, wish, at.cancel()).floors.front();
    whole->site.floors.push_back(in_view);
    hand_over(at, std::make_shared<Prediction>(*whole));
    if (!is_judged(request)) {
        if (at.newer_waits()) at.cancel().cancel();
        judged_ = judge_floors(request, order, in_view, at);
    }
    whole->verdict = judged_->verdict;
    put_together(request.more, judged_->answers, *whole, at.cancel());
    note_air(*whole);
    hand_over(at, whole);
}

void PredictionRunner::add_results_of_view(const Request& request, Prediction& to, const AtWork& at) {
    const PredictionWish wish = request.wish();
    for (const auto& [type, work] : request.more.of_view)
        to.more.put(type, work({request.project, request.in_view, wish, predictor_, at.cancel()}));
}

/// The verdict, and what was asked of each floor.
static void judge_site(const WantedWork& more, const std::vector<FloorQuestion>& questions, Prediction& whole,
                       const CancelToken& cancel) {
    whole.verdict = judge(whole.project, whole.site);
    if (questions.empty()) return;
    const bool of_verdict = std::ranges::any_of(questions, &FloorQuestion::of_verdict);
    const SiteJudge parts(whole.project);
    std::vector<std::vector<Answer>> answers;
    for (const FloorPrediction& floor : whole.site.floors) {
        const Verdict part = of_verdict ? parts.part(floor) : Verdict();
        auto& of_floor = answers.emplace_back();
        for (const FloorQuestion& q : questions)
            of_floor.push_back(q.answer(whole.project, floor, part, cancel));
    }
    put_together(more, answers, whole, cancel);
}

void PredictionRunner::run(const Request& request, const AtWork& at) {
    const auto order = in_order(request.project, request.in_view);
    auto whole = std::make_shared<Prediction>();
    whole->project = request.project;
    whole->of = request.of;
    add_results_of_view(request, *whole, at);
    if (field_bytes(request.project) > predictor_.budget().limit_bytes() / part_for_fields)
        return run_by_floors(request, order, whole, at);
    bool first = true;
    PredictionWish wish = request.wish();
    wish.progress = [&at](double share) { at.tell(share); };
    whole->site =
        predictor_.predict(request.project, order, wish, at.cancel(), [&](const FloorPrediction& floor) {
            if (!first) return;
            first = false;
            const bool gives_way = order.size() > 1 && at.newer_waits();
            // the map of the floor in view is painted while the rest and the verdict are worked out
            auto part = std::make_shared<Prediction>(*whole);
            part->site.floors.push_back(floor);
            part->site.floors.back().air = air_;
            hand_over(at, part);
            if (gives_way) at.cancel().cancel();
        });
    judge_site(request.more, request.questions(), *whole, at.cancel());
    note_air(*whole);
    hand_over(at, whole);
}

void PredictionRunner::note_air(const Prediction& whole) {
    air_ = whole.site.floors.empty() ? nullptr : whole.site.floors.front().air;
}

}  // namespace yemvo::app
