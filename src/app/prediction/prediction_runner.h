// Predicts behind the window, always the newest project it was given.
#pragma once
#include <QObject>
#include <chrono>
#include <optional>
#include <vector>

#include "app/behind/behind.h"
#include "app/model/prediction.h"
#include "app/model/workspace.h"
#include "coverage/floor_by_floor.h"
#include "coverage/verdict.h"
#include "coverage/worst_places.h"
#include "project/project.h"
#include "render/map_choice.h"

namespace yemvo::app {

/// What the map in view needs besides the site's fields.
struct ExtraWish {
    bool deviation = false;  ///< how far off the fields may be
    bool outside = false;    ///< the surroundings of the floor in view
    bool places = false;     ///< where requirements are missed
    render::Against against = render::Against::nothing;
    VariantId other = {};
    friend bool operator==(const ExtraWish&, const ExtraWish&) = default;
};

class PredictionRunner : public QObject {
    Q_OBJECT
public:
    explicit PredictionRunner(const std::shared_ptr<MemoryBudget>&, QObject* parent = nullptr);

    /// The floor in view comes first. A newer request replaces one that waits; the one that runs gets to
    /// finish its first floor, so that the map follows a drag, and then gives way.
    /// `other`: what the map in view is held against. `of` comes back with the prediction.
    void request(const Project&, FloorId in_view, const ExtraWish& = {},
                 std::shared_ptr<const Project> other = nullptr, int of = 0);
    /// Stops what runs and waits; what has arrived stays.
    void cancel() { behind_.stop(); }
    bool is_idle() const { return behind_.is_idle(); }
    /// "Predicting, 40 %"; empty while nothing is predicted.
    QString doing() const { return behind_.words(); }

signals:
    void ready(std::shared_ptr<const yemvo::app::Prediction>);
    /// While a large site is judged floor by floor.
    void judged_so_far(int floors, int of_all);
    void progressed();
    void failed(const QString& message);

private:
    struct Request {
        Project project;
        FloorId in_view;
        ExtraWish extra;
        std::shared_ptr<const Project> other;
        int of;
    };
    void run(const Request&, const AtWork&);
    /// A site whose fields would not fit together: floor by floor, only the one in view stays.
    void run_by_floors(const Request&, const std::vector<FloorId>& order, std::shared_ptr<Prediction>,
                       const AtWork&);
    void add_outside(const Request&, Prediction& to, const AtWork&);
    void hand_over(const AtWork&, std::shared_ptr<const Prediction>);
    void tidy();

    Predictor predictor_;
    FloorByFloor floors_{predictor_};
    /// Of the last site that was judged floor by floor: another floor in view asks for no new verdict.
    struct Judged {
        Project project;
        ExtraWish extra;
        Verdict verdict;
        std::vector<WorstPlace> places;
    };
    Judged judge_floors(const Request&, const std::vector<FloorId>& order, const FloorPrediction& in_view,
                        PredictionWish, const AtWork&);
    std::optional<Judged> judged_;
    std::chrono::steady_clock::time_point tidied_;
    Behind behind_;  ///< the last to come, since work uses the rest
};

}  // namespace yemvo::app
