// SPDX-License-Identifier: GPL-3.0-or-later
// Variants side by side: two to four maps in step, or two with a divider between, over one table.
#pragma once
#include <QWidget>
#include <array>
#include <memory>
#include <vector>

#include "app/behind/behind.h"
#include "app/maps_in_step/figures_table.h"
#include "app/maps_in_step/map_in_step.h"
#include "app/variants/variant_map.h"

class QComboBox;
class QHBoxLayout;
class QLabel;
class QPushButton;

namespace yemvo::app {

class StepLegend;
class Workspace;

class VariantsPage : public QWidget {
    Q_OBJECT
public:
    static constexpr std::size_t most = 4;
    explicit VariantsPage(Workspace&, QWidget* parent = nullptr);
    ~VariantsPage() override;
    /// The first variants of the project, on the floor in view, through the lens of the map.
    void open();
    bool is_idle() const { return behind_.is_idle(); }
    Behind& behind() { return behind_; }
    const std::vector<VariantId>& shown() const { return shown_; }
    VariantMap& map(std::size_t i) { return *maps_[i]; }
    const StepView& view() const { return view_; }
    const std::shared_ptr<const VariantResult>& result(std::size_t i) const { return results_[i]; }

signals:
    void left();

protected:
    void keyPressEvent(QKeyEvent*) override;
    void paintEvent(QPaintEvent*) override;

private:
    enum class Way { side_by_side, divider, differences };
    struct Trials;
    QWidget* make_head();
    QWidget* make_controls();
    void rebuild();
    void update_maps();
    void follow_project();
    void work_out();
    void learn(std::size_t i, std::shared_ptr<const VariantResult>);
    void refresh_maps();
    void refresh_table();
    void fill_floors();
    void fit();
    Way way() const;
    Workspace& workspace_;
    std::vector<VariantId> shown_;
    std::vector<std::shared_ptr<const VariantResult>> results_;
    FloorId floor_;
    StepView view_;
    bool fitted_ = false;
    QLabel* about_;
    QComboBox *lens_, *floors_, *ways_, *count_;
    std::array<QPushButton*, 3> bands_{};
    QWidget* columns_ = nullptr;
    QHBoxLayout* row_;
    std::vector<QComboBox*> heads_;
    std::vector<VariantMap*> maps_;
    StepLegend* legend_;
    FiguresTable* table_;
    std::shared_ptr<Trials> trials_;
    Behind behind_;  ///< last: it is waited for before the others go
};

}  // namespace yemvo::app
