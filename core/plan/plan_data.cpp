// What copies and ends a plan, once for all who hold one.
#include "plan/plan_keys.h"

namespace columna {

Plan::Plan() = default;
Plan::Plan(const Plan& other) = default;
Plan::Plan(Plan&& other) noexcept = default;
Plan& Plan::operator=(const Plan& other) = default;
Plan& Plan::operator=(Plan&& other) noexcept = default;
Plan::~Plan() = default;

} // namespace columna
