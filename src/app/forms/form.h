// SPDX-License-Identifier: GPL-3.0-or-later
// A column of property rows that read from the project and ask for edits.
#pragma once
#include <QLineEdit>
#include <QVBoxLayout>
#include <QWidget>
#include <functional>
#include <vector>

#include "app/model/workspace.h"
#include "project/limits.h"

class QComboBox;
class QHBoxLayout;
class QLabel;

namespace yemvo::app {

/// A text field with its unit inside at the right; asks when what was typed is confirmed.
class UnitField : public QLineEdit {
    Q_OBJECT
public:
    explicit UnitField(const QString& unit, QWidget* parent = nullptr);
    /// Shows a value unless somebody is typing.
    void show_value(const QString&);
    void show_fault(const QString& why);

signals:
    void confirmed(const QString& text);

protected:
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void focusOutEvent(QFocusEvent*) override;

private:
    void confirm();
    void make_room();
    QString unit_, shown_unit_, shown_;
};

/// Builds rows; refresh() fills them from the project again. A getter must not be called once its thing is
/// gone: whoever owns the form rebuilds it then.
class Form : public QWidget {
    Q_OBJECT
public:
    explicit Form(Workspace&, QWidget* parent = nullptr);
    void refresh();
    Workspace& workspace() { return workspace_; }

    void group(const QString& title);
    void note(const QString& words);
    QLabel* text(const QString& label, std::function<QString()> get);
    /// Fields that stand beside each other in one row belong to the label of the first.
    QHBoxLayout* row(const QString& label);
    UnitField* name_field(QHBoxLayout*, const QString& object, std::function<QString()> get,
                          std::function<void(QString)> set);
    /// The same for what may be empty.
    UnitField* words_field(QHBoxLayout*, const QString& object, std::function<QString()> get,
                           std::function<void(QString)> set);
    UnitField* length_field(QHBoxLayout*, const QString& object, const QString& unit,
                            std::function<double()> get, std::function<void(double)> set,
                            Range = limits::coordinate_m);
    UnitField* number_field(QHBoxLayout*, const QString& object, const QString& unit, int decimals,
                            std::function<double()> get, std::function<void(double)> set, Range);
    QComboBox* choice(QHBoxLayout*, const QString& object, const QStringList& names, std::function<int()> get,
                      std::function<void(int)> set);
    void widget(QWidget*);
    void on_refresh(std::function<void()>);
    /// What decides which rows there are: once it says something else than now, the form has to be made anew.
    void built_for(std::function<QString()> what);
    bool is_outdated() const;
    void stretch() { column_->addStretch(1); }

protected:
    void resizeEvent(QResizeEvent*) override;

private:
    /// What stands beside each other in a row stands below each other where words are too long for the frame.
    void fit_rows();
    /// Runs a change asked for in a field, and tells at the field why it was refused.
    void try_at(UnitField*, const std::function<void()>& change);
    Workspace& workspace_;
    QVBoxLayout* column_;
    std::vector<QHBoxLayout*> rows_;
    std::vector<std::function<void()>> refreshes_;
    std::vector<std::pair<std::function<QString()>, QString>> built_for_;
};

/// A number as typed, with a decimal comma or point and its unit or none. Throws Error outside [low, high].
double parse_number(const QString& text, double low, double high, const QString& unit);

}  // namespace yemvo::app
